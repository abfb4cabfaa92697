import { inRange, rangeWords } from '@brook/core/base/units';
import type { Job, PlanChoices } from '@brook/contract';
import { WORKSHOP_C, type Means, type Method } from '@brook/core/hydraulics/flow';
import {
  CARRIED_WORDS,
  cureWords,
  METHOD_VERDICT_WORDS,
  METHOD_WORDS,
  methodWords,
  methodReasonWords,
} from '@brook/core/bleed/method';
import { planBleed, type PlanMethod } from '@brook/core/bleed/plan';
import { useDeferredValue, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sameData } from '../../ui/forms/threeWay';
import { ActionBar } from '../../ui/ActionBar';
import { Button } from '../../ui/Button';
import { BrookBox } from '../../ui/brook/BrookBox';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { FigureRow } from '../../ui/FigureValue';
import { More } from '../../ui/More';
import { Page, useWideScreen } from '../../ui/Page';
import { Press } from '../../ui/Press';
import { typedNumber } from '../../ui/typedNumber';
import { colour, SPACE } from '../../ui/theme';
import { leavePage, useUnsaved } from '../../ui/unsaved';
import { Words } from '../../ui/Words';
import { requestOfJob, type PlanBasis } from './request';
import { PageHead } from '../frame/PageHead';

export interface MethodPageProps {
  readonly job: Job;
  readonly plan: PlanBasis;
  readonly busy: boolean;
  readonly onChoose: (choices: PlanChoices) => void;
  readonly onBack: () => void;
}

const MEANS: readonly { readonly value: keyof Means; readonly label: string }[] = [
  { value: 'helper', label: 'A helper' },
  { value: 'bottle', label: 'Clear hose and bottle' },
  { value: 'vacuumPump', label: 'Vacuum pump' },
  { value: 'pressurePot', label: 'Pressure pot whose cap seals here' },
  { value: 'syringe', label: 'Clean syringe' },
  { value: 'selfRefilling', label: 'Self-refilling bottle' },
  { value: 'scanTool', label: 'Scan tool for this ABS' },
];
type DayKey = 'axleHanging' | 'masterWorn' | 'dirty' | 'takesNoFluid';
const DAY: readonly { readonly value: DayKey; readonly label: string; readonly about?: string }[] =
  [
    { value: 'axleHanging', label: 'Rear axle hangs', about: 'A load valve is shut while it does' },
    {
      value: 'masterWorn',
      label: 'Master old or unknown',
      about: 'Long strokes reach a part of the bore that may be corroded',
    },
    { value: 'dirty', label: 'Old fluid dark or dirty' },
    {
      value: 'takesNoFluid',
      label: 'Master takes no fluid',
      about: 'The level never moves, no bubbles come',
    },
  ];

/** Before each reason: for, to be minded, against, in the way. */
const WEIGHT_SIGNS = { for: '+', mind: '!', against: '−', stops: '×' } as const;

/** Every method ranked for this job, with the reasons in words and figures; the technician decides. */
export function MethodPage({ job, plan, busy, onChoose, onBack }: MethodPageProps) {
  const wide = useWideScreen();
  const [choices, setChoices] = useState(job.planChoices);
  const [open, setOpen] = useState<Method | null>(null);
  const [degrees, setDegrees] = useState(String(choices.circumstances.temperatureC));
  useUnsaved(
    !sameData(choices, job.planChoices) ||
      degrees !== String(job.planChoices.circumstances.temperatureC),
  );
  const shown = useDeferredValue(choices);
  const result = useMemo(
    () => planBleed(requestOfJob(job, plan, { ...shown, method: null })),
    [job, plan, shown],
  );
  const methods = result.verdict === 'planned' ? result.plan.methods : result.methods;
  const best = methods[0] ?? null;
  const chosen = methods.find((m) => m.method === choices.method) ?? best;
  const looked = methods.find((m) => m.method === open) ?? chosen;
  const order =
    result.verdict === 'planned'
      ? [...new Set(result.plan.openings.map((s) => s.bleeder.id))]
      : [looked?.deciding?.bleederId ?? ''];
  const temperatureC = typedNumber(degrees);
  const cold = inRange(WORKSHOP_C, temperatureC) ? null : `Give ${rangeWords(WORKSHOP_C)}.`;
  const setDay = (more: Partial<PlanChoices['circumstances']>) =>
    setChoices((c) => ({ ...c, circumstances: { ...c.circumstances, ...more } }));
  const brook = looked?.deciding ? (
    <BrookBox
      layout={job.layout}
      order={order}
      height={wide ? 420 : 200}
      oldColour="amber"
      newColour="amber"
      {...(result.verdict === 'planned' ? { inside: result.plan.inside } : {})}
      marked={looked.deciding.stretchId}
    />
  ) : null;
  return (
    <Page
      beside={<View style={styles.beside}>{brook}</View>}
      action={
        <ActionBar
          label={chosen ? `Use: ${METHOD_WORDS[chosen.method].title}` : 'Use it'}
          busy={busy}
          onPress={() =>
            onChoose({ ...choices, method: choices.method === null ? null : chosen!.method })
          }
          waitsFor={cold ?? (chosen?.verdict === 'hopeless' ? 'This one cannot work here' : null)}
          side={{ label: 'Back', onPress: () => leavePage(onBack) }}
        />
      }
    >
      <PageHead vehicle={job.vehicleName} question="Which method?" />
      <More
        title="At hand today"
        about={
          MEANS.filter((m) => choices.means[m.value])
            .map((m) => m.label.toLowerCase())
            .join(', ') || 'nothing but time'
        }
      >
        <Choices
          question="What is at hand?"
          options={MEANS}
          chosen={MEANS.filter((m) => choices.means[m.value]).map((m) => m.value)}
          mayBeNone
          onChoose={(on) =>
            setChoices((c) => ({
              ...c,
              means: {
                ...c.means,
                ...Object.fromEntries(MEANS.map((m) => [m.value, on.includes(m.value)])),
              },
            }))
          }
        />
        <Choices
          question="And today?"
          options={DAY}
          chosen={DAY.filter((d) => choices.circumstances[d.value]).map((d) => d.value)}
          mayBeNone
          onChoose={(on) =>
            setDay(
              Object.fromEntries(DAY.map((d) => [d.value, on.includes(d.value)])) as Record<
                DayKey,
                boolean
              >,
            )
          }
        />
        <Field
          label="Workshop"
          unit="°C"
          inputMode="decimal"
          value={degrees}
          fault={cold}
          why="Cold fluid flows badly."
          onChange={(v) => {
            setDegrees(v);
            if (inRange(WORKSHOP_C, typedNumber(v))) setDay({ temperatureC: typedNumber(v) });
          }}
        />
      </More>
      <View role="list">
        {methods.map((m) => (
          <MethodLine
            key={m.method}
            job={job}
            row={m}
            chosen={m === chosen}
            open={open === m.method}
            onOpen={() => setOpen(open === m.method ? null : m.method)}
            onUse={() => setChoices((c) => ({ ...c, method: m === best ? null : m.method }))}
          />
        ))}
      </View>
      {wide ? null : brook}
      {looked?.deciding ? <Deciding row={looked} /> : null}
    </Page>
  );
}

interface MethodLineProps {
  readonly job: Job;
  readonly row: PlanMethod;
  readonly chosen: boolean;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly onUse: () => void;
}

function MethodLine({ job, row, chosen, open, onOpen, onUse }: MethodLineProps) {
  const words = methodWords(row.method, job.layout);
  const stops = row.reasons.filter((r) => r.weight === 'stops');
  const first = stops[0] ?? row.reasons.find((r) => r.weight === 'against') ?? null;
  return (
    <View role="listitem" style={styles.item}>
      <Press
        role="button"
        aria-expanded={open}
        aria-label={`${words.title}: ${METHOD_VERDICT_WORDS[row.verdict]}`}
        onPress={onOpen}
        pressedStyle={{ backgroundColor: colour.well }}
      >
        <View style={styles.line}>
          <View style={[styles.mark, chosen ? styles.markChosen : null]} />
          <View style={styles.grow}>
            <Words strong={chosen} tone={row.verdict === 'hopeless' ? 'softWords' : 'words'}>
              {words.title}
            </Words>
            <Words size="small" tone="softWords">
              {first ? methodReasonWords(job.layout, first) : words.needs}
            </Words>
          </View>
          <Words size="small" strong tone={row.verdict === 'hopeless' ? 'softWords' : 'words'}>
            {METHOD_VERDICT_WORDS[row.verdict]}
          </Words>
        </View>
      </Press>
      {open ? (
        <View style={styles.inside}>
          {row.reasons.map((r, i) => (
            <View key={i} style={styles.reason}>
              <Words size="small" strong>
                {WEIGHT_SIGNS[r.weight]}
              </Words>
              <View style={styles.grow}>
                <Words size="small">{methodReasonWords(job.layout, r)}</Words>
              </View>
            </View>
          ))}
          {row.reasons.flatMap((r) =>
            r.figure ? [<FigureRow key={`${r.code}-${r.elementId}`} figure={r.figure} />] : [],
          )}
          {row.cures.map((c, i) => (
            <View key={i} style={styles.cure}>
              <Words size="small" strong>
                What would help
              </Words>
              <Words>{cureWords(job.layout, c)}</Words>
            </View>
          ))}
          {row.verdict === 'hopeless' || chosen ? null : (
            <Button label="Take this one" spoken={`Take ${words.title}`} onPress={onUse} />
          )}
        </View>
      ) : null}
    </View>
  );
}

/** The stretch on which a bubble stays behind first, in figures. */
function Deciding({ row }: { readonly row: PlanMethod }) {
  const deciding = row.deciding!;
  return (
    <View>
      <Words strong heading={2}>{`The stretch that decides: ${deciding.name}`}</Words>
      <Words
        size="small"
        tone="softWords"
      >{`${METHOD_WORDS[row.method].title}: ${CARRIED_WORDS[deciding.verdict].toLowerCase()}.`}</Words>
      <FigureRow figure={deciding.velocityMmS} />
      <FigureRow figure={deciding.riseMmS} />
    </View>
  );
}

const styles = StyleSheet.create({
  beside: { padding: SPACE.wide },
  item: { borderTopWidth: 1, borderTopColor: colour.hairline },
  line: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: SPACE.medium,
    paddingVertical: SPACE.small,
  },
  mark: { width: 18, height: 18, borderWidth: 2, borderColor: colour.edge },
  markChosen: { borderColor: colour.words, backgroundColor: colour.words },
  grow: { flex: 1 },
  inside: {
    gap: SPACE.small,
    paddingBottom: SPACE.large,
    paddingLeft: SPACE.large,
    borderLeftWidth: 3,
    borderLeftColor: colour.edge,
  },
  reason: { flexDirection: 'row', gap: SPACE.small },
  cure: { backgroundColor: colour.well, padding: SPACE.medium },
});
