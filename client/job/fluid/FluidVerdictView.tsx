import { signsOfFluid } from '@brook/core/find/faults';
import { figureText, PRACTICE, sourceWords, type Source } from '@brook/core/base/figure';
import {
  compatibility,
  COMPATIBILITY_WORDS,
  CONDITION_WORDS,
  GRADES,
  HOLD_WORDS,
  REMEDY_WORDS,
  VERDICT_WORDS,
  type CompatibilityReason,
  type CompatibilityRequest,
  type ConditionAnswer,
  type ConditionReason,
  type FluidVerdict,
} from '@brook/core/fluid/verdict';
import { View } from 'react-native';
import { FaultList } from '../side/faults/FaultList';
import { capital, lowerFirst } from '@brook/core/base/text';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Caution, Stop } from '../../ui/Notice';
import { SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** What to do about the fluid inside: the verdict, what governs it, and every reason with its source. */
export function ConditionView({
  answer,
  placeOf,
}: {
  readonly answer: ConditionAnswer;
  readonly placeOf: (point: string) => string;
}) {
  const governs = new Set(answer.governing);
  const others = answer.reasons.filter((r) => !governs.has(r));
  return (
    <View style={{ gap: SPACE.small }}>
      <Words size="head" heading={2}>
        {VERDICT_WORDS[answer.verdict]}
      </Words>
      {answer.verdict === 'good'
        ? null
        : answer.governing.map((r, i) => (
            <Reason
              key={i}
              reason={r}
              place={placeOf(r.point)}
              weighs={r.asks !== 'not measured'}
            />
          ))}
      {answer.verdict === 'good'
        ? answer.reasons.map((r, i) => (
            <Reason key={i} reason={r} place={placeOf(r.point)} weighs={false} />
          ))
        : null}
      {answer.verdict !== 'good' && others.length + answer.inputs.length > 0 ? (
        <More
          title="Everything that went in"
          about={`${others.length + answer.governing.length} findings, ${answer.inputs.length} readings`}
        >
          <View>
            {answer.inputs.map((f, i) => (
              <FigureRow key={i} figure={{ ...f, label: placed(f.label, placeOf) }} />
            ))}
          </View>
          {others.map((r, i) => (
            <Reason key={i} reason={r} place={placeOf(r.point)} weighs={false} />
          ))}
        </More>
      ) : null}
    </View>
  );
}

function Reason({
  reason,
  place,
  weighs,
}: {
  readonly reason: ConditionReason;
  readonly place: string;
  readonly weighs: boolean;
}) {
  const words = `${capital(place)}: ${lowerFirst(CONDITION_WORDS[reason.code])}`;
  return (
    <View>
      {weighs ? <Caution title={words} /> : <Words>{words}</Words>}
      {reason.margin ? (
        <FigureRow
          figure={reason.margin}
          text={`${reason.margin.value > 0 ? '+' : ''}${figureText(reason.margin)}`}
        />
      ) : null}
      <SourceLine source={reason.source} />
    </View>
  );
}

/** The least that may go in, by whom, with the limits of its standard. */
export function MinimumView({ verdict }: { readonly verdict: FluidVerdict }) {
  const { minimum } = verdict.advice;
  if (!minimum) return null;
  return (
    <More
      title={`At least ${minimum.grade}${minimum.lowViscosity ? ', low viscosity' : ''}`}
      about="What is asked for, and its limits"
    >
      <View>
        {minimum.figures.map((f) => (
          <FigureRow key={f.label} figure={f} />
        ))}
        {minimum.figures.length === 0 ? (
          <Words>Mineral oil has no boiling limits in these standards.</Words>
        ) : null}
      </View>
    </More>
  );
}

/** Every grade there is, judged for this vehicle: whatever somebody brings along. */
export function GradeVerdicts({
  request,
}: {
  readonly request: Omit<CompatibilityRequest, 'candidates'>;
}) {
  const candidates = [
    ...GRADES.map((g) => ({ id: g.words, grade: g.grade, isoClass: null })),
    { id: 'DOT 4, class 6', grade: 'DOT 4' as const, isoClass: 'class 6' as const },
  ];
  return (
    <More title="Any other fluid" about="Every grade, judged for this vehicle">
      {compatibility({ ...request, candidates }).candidates.map((c) => (
        <View key={c.id}>
          <Words strong>{`${c.id}: ${c.verdict}`}</Words>
          <Words size="small">{c.reasons.map((r) => COMPATIBILITY_WORDS[r.code]).join(' ')}</Words>
        </View>
      ))}
      <SourceLine source={PRACTICE} />
    </More>
  );
}

/** Why the fluid that was chosen may go in, or must not. */
export function FillReasons({ reasons }: { readonly reasons: readonly CompatibilityReason[] }) {
  return (
    <View style={{ gap: SPACE.small }} aria-live="polite">
      {reasons.map((r) => (
        <View key={r.code}>
          {r.weight === 'stop' ? (
            <Stop title={COMPATIBILITY_WORDS[r.code]} />
          ) : r.weight === 'caution' ? (
            <Caution title={COMPATIBILITY_WORDS[r.code]} />
          ) : (
            <Words>{COMPATIBILITY_WORDS[r.code]}</Words>
          )}
          <SourceLine source={r.source} />
        </View>
      ))}
    </View>
  );
}

/** A stop: what it is, what it costs, and the rows of the fault list that fit. */
export function StopView({ verdict }: { readonly verdict: FluidVerdict }) {
  const hold = verdict.hold!;
  const governing = verdict.condition?.governing ?? [];
  return (
    <View style={{ gap: SPACE.small }}>
      <Stop
        title={HOLD_WORDS[hold].title}
      >{`${hold === 'condition stops' ? governing.map((r) => CONDITION_WORDS[r.code]).join(' ') : HOLD_WORDS[hold].say} The job ends here on the record, and the vehicle is “do not drive”.`}</Stop>
      {hold === 'wrong chemistry inside' && verdict.remedy ? (
        <Caution title="What it costs">{REMEDY_WORDS[verdict.remedy]}</Caution>
      ) : null}
      {hold === 'condition stops' ? <SourceLine source={governing[0]!.source} /> : null}
      <FaultList signs={signsOfFluid(verdict)} />
    </View>
  );
}

function SourceLine({ source }: { readonly source: Source }) {
  return (
    <Words size="small" tone="softWords">
      {sourceWords(source)}
    </Words>
  );
}

const placed = (label: string, placeOf: (point: string) => string): string => {
  const [what, point] = label.split(', ');
  return point ? `${what}, ${placeOf(point)}` : label;
};
