import { type VehicleKind } from '@brook/core/vehicle/circuit';
import { GRADES, type Grade } from '@brook/core/fluid/verdict';
import { worstReading } from '@brook/core/fluid/ageing';
import type { VapourAnswer } from '@brook/core/fluid/vapour';
import { router } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { useHouseRules } from '../../data/houseRules';
import { useVehicle, useVehicleHistory } from '../../data/vehicles';
import { JobsLink } from '../../job/frame/JobHead';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Caution } from '../../ui/Notice';
import { Page } from '../../ui/Page';
import { Loading } from '../../ui/States';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';
import { usePageTitle } from '../../ui/usePageTitle';
import { askWorker, type WorkerCall } from '../../data/workers/ask';
import {
  DESCENT_FIELDS,
  descentDraft,
  descentFaults,
  pieceFaults,
  vapourRequests,
  type DescentDraft,
  type DescentField,
  type PieceDraft,
} from './entry';
import { HeatChart } from './HeatChart';

interface DescentParams {
  readonly grade?: string;
  readonly water?: string;
  readonly boiling?: string;
}

/** "Can this wait until after the hill holiday?": the margin to boiling on a descent, with everything that it assumes. */
export function DescentScreen({
  vehicleId,
  given,
}: {
  readonly vehicleId: string;
  readonly given: DescentParams;
}) {
  const vehicle = useVehicle(vehicleId).data;
  usePageTitle('How long would it last?', vehicle?.name);
  const history = useVehicleHistory(vehicleId).data;
  const rules = useHouseRules();
  if (!vehicle || !history || rules.isPending) return <Loading what="the vehicle" />;
  // What was read before the last change tells of fluid that is no longer inside.
  const inside = history.samples.filter(
    (s) => s.atMs > (history.changes.at(-1)?.atMs ?? -Infinity),
  );
  const last = inside.filter((s) => s.jobId === inside.at(-1)?.jobId);
  const worst = worstReading(last);
  const known =
    given.water || given.boiling
      ? given
      : { ...given, water: worst?.waterPercent?.toString(), boiling: worst?.boilingC?.toFixed(1) };
  const grade = (GRADES.find(
    (g) =>
      g.grade === (given.grade ?? history.changes.at(-1)?.grade ?? history.samples.at(-1)?.grade),
  )?.grade ?? 'DOT 4') as Grade;
  return (
    <Descent
      name={vehicle.name}
      tag={vehicle.tag}
      kind={vehicle.vehicleKind}
      atFirst={descentDraft(vehicle.vehicleKind, known, rules.data?.rules.altitudeM)}
      gradeAtFirst={grade}
    />
  );
}

const ASKED_FIRST: readonly DescentField[] = [
  'lengthKm',
  'dropM',
  'speedKmh',
  'massKg',
  'waterPercent',
  'boilingC',
];
const ASKED_LATER: readonly DescentField[] = [
  'frontPercent',
  'discKg',
  'caliperKg',
  'altitudeM',
  'airC',
  'enginePercent',
];

function Descent({
  name,
  tag,
  kind,
  atFirst,
  gradeAtFirst,
}: {
  readonly name: string;
  readonly tag: string;
  readonly kind: VehicleKind;
  readonly atFirst: DescentDraft;
  readonly gradeAtFirst: Grade;
}) {
  const [draft, setDraft] = useState(atFirst);
  const [grade, setGrade] = useState(gradeAtFirst);
  const [answers, setAnswers] = useState<readonly VapourAnswer[] | null>(null);
  const [share, setShare] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const asked = useRef<WorkerCall<VapourAnswer[]> | null>(null);
  useEffect(() => () => asked.current?.cancel(), []);
  const faults = descentFaults(draft);
  const requests = vapourRequests(draft, kind, grade);
  const set = (field: DescentField, value: string) => {
    setDraft((d) => ({ ...d, [field]: value }));
    setAnswers(null);
  };
  const cancel = () => {
    asked.current?.cancel();
    asked.current = null;
    setShare(null);
  };
  const reckon = async () => {
    if (!requests) return;
    cancel();
    setProblem(null);
    setShare(0);
    const question = askWorker<VapourAnswer[]>(
      () => new Worker(new URL('../../data/workers/descent.worker', import.meta.url)),
      requests,
      setShare,
    );
    asked.current = question;
    try {
      setAnswers(await question.answer);
    } catch (error) {
      setProblem((error as Error).message);
    }
    setShare(null);
  };
  const field = (f: DescentField) => {
    const { label, unit, why } = DESCENT_FIELDS[f];
    return (
      <Field
        key={f}
        label={label}
        why={why}
        unit={unit}
        value={draft[f]}
        onChange={(v) => set(f, v)}
        inputMode="decimal"
        fault={faults[f]}
      />
    );
  };
  return (
    <Page
      beside={
        <View style={{ padding: SPACE.wide }}>
          {answers ? (
            <Answer answers={answers} wide />
          ) : (
            <Words tone="softWords">The margin stands here once it is reckoned.</Words>
          )}
        </View>
      }
      action={
        <ActionBar
          label="Reckon it"
          busy={share !== null}
          waitsFor={
            requests
              ? null
              : Object.keys(faults).length > 0
                ? 'Put the entries right first'
                : 'Say how wet the fluid is, or where it boils'
          }
          onPress={() => void reckon()}
          side={{ label: 'Back', onPress: () => router.back() }}
        />
      }
    >
      <View>
        <JobsLink />
        <Words size="head" heading={1}>
          How long would it last?
        </Words>
        <Words size="small" tone="softWords">{`${name} · ${tag}`}</Words>
      </View>
      <Caution title="It never softens a verdict">
        A model of one long descent, to see how near the fluid comes to boiling. What the verdict
        says about this fluid stays as it is.
      </Caution>
      {share === null ? null : (
        <View style={{ gap: SPACE.small }}>
          <Words
            strong
            accessibilityLiveRegion="polite"
          >{`Reckoning, ${Math.round(share * 100)} % …`}</Words>
          <Button label="Stop reckoning" onPress={cancel} />
        </View>
      )}
      {problem ? <Caution title={problem} /> : null}
      {answers ? <View nativeID="answer">{<Answer answers={answers} />}</View> : null}
      <Choice
        question="Fluid inside"
        compact
        options={GRADES.filter((g) => g.grade !== 'mineral oil').map((g) => ({
          value: g.grade,
          label: g.grade,
        }))}
        chosen={grade}
        onChoose={(g) => {
          setGrade(g);
          setAnswers(null);
        }}
      />
      {ASKED_FIRST.slice(0, 3).map(field)}
      {draft.further.map((piece, i) => (
        <Piece
          key={i}
          number={i + 2}
          piece={piece}
          onChange={(part) => {
            setDraft((d) => ({
              ...d,
              further: d.further.map((p, k) => (k === i ? { ...p, ...part } : p)),
            }));
            setAnswers(null);
          }}
        />
      ))}
      <Button
        label="Add a piece of road"
        onPress={() => {
          setDraft((d) => ({
            ...d,
            further: [...d.further, { lengthKm: '2', dropM: '0', speedKmh: d.speedKmh }],
          }));
          setAnswers(null);
        }}
      />
      {draft.further.length > 0 ? (
        <Button
          label="Leave the last piece out"
          onPress={() => {
            setDraft((d) => ({ ...d, further: d.further.slice(0, -1) }));
            setAnswers(null);
          }}
        />
      ) : null}
      {ASKED_FIRST.slice(3).map(field)}
      <More
        title="More about vehicle and day"
        about="Brake split, disc, caliper, altitude, air, engine"
        open={ASKED_LATER.some((f) => faults[f])}
      >
        {ASKED_LATER.map(field)}
      </More>
    </Page>
  );
}

/** One more piece of road: it may be flat or climb. */
function Piece({
  number,
  piece,
  onChange,
}: {
  readonly number: number;
  readonly piece: PieceDraft;
  readonly onChange: (part: Partial<PieceDraft>) => void;
}) {
  const faults = pieceFaults(piece);
  return (
    <View style={{ gap: SPACE.small }}>
      {(['lengthKm', 'dropM', 'speedKmh'] as const).map((f) => (
        <Field
          key={f}
          label={`${f === 'lengthKm' ? 'Length' : DESCENT_FIELDS[f].label}, piece ${number}`}
          unit={DESCENT_FIELDS[f].unit}
          why={f === 'dropM' ? 'Below 0 where it climbs.' : undefined}
          value={piece[f]}
          onChange={(v) => onChange({ [f]: v })}
          inputMode="decimal"
          fault={faults[f]}
        />
      ))}
    </View>
  );
}

/** The margin, the peak, the curve, and what another speed would do. */
function Answer({
  answers,
  wide,
}: {
  readonly answers: readonly VapourAnswer[];
  readonly wide?: boolean;
}) {
  const [now, slower, faster] = answers;
  if (!now) return null;
  const margin = now.margin.value;
  return (
    <View style={{ gap: SPACE.small }} aria-live="polite">
      <Words size="head" heading={2}>
        {margin <= 0 ? 'The fluid would boil' : `${Math.round(margin)} °C of margin`}
      </Words>
      {margin <= 0 ? (
        <Caution title="The pedal would go to the floor">
          Do not drive this descent on this fluid.
        </Caution>
      ) : margin < 30 ? (
        <Caution title="Thin">The model is not good to so little. Change the fluid first.</Caution>
      ) : null}
      <FigureRow figure={now.margin} />
      <FigureRow figure={now.peakFluid} />
      <HeatChart heat={now.heat} boilingC={now.margin.from[0]!.value} width={wide ? 560 : 344} />
      {slower ? <FigureRow figure={slower.margin} label="At half the speed" /> : null}
      {faster ? <FigureRow figure={faster.margin} label="At one and a half times" /> : null}
    </View>
  );
}
