import { CLARITIES, COLOURS, fillVerdict, FLUID_WORDS, GRADES, type FillVerdict, type ForeignSign } from '@brook/core/fluid';
import { sourceWords } from '@brook/core/figure';
import { useState } from 'react';
import { View } from 'react-native';
import { useJobAct } from '../data/job';
import { BackToHand } from '../jobs/BackToHand';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import type { StepProps } from '../jobs/JobScreen';
import { ActionBar } from '../ui/ActionBar';
import { Choice, type Option } from '../ui/Choice';
import { Field } from '../ui/Field';
import { FigureRow } from '../ui/FigureValue';
import { Caution, Stop } from '../ui/Notice';
import { Page, useWideScreen } from '../ui/Page';
import { FLUID, SPACE } from '../ui/theme';
import { Words } from '../ui/Words';
import { draftOf, entryOf, unanswered, waterEntryFault, type FluidDraft } from './entry';

const COLOUR_OPTIONS = COLOURS.map((c) => ({ value: c, label: c, swatch: FLUID[c] }));
const FOREIGN_OPTIONS: readonly Option<ForeignSign>[] = [
  { value: 'none', label: 'None of these' },
  { value: 'purple or beads in water', label: 'Purple, or beads in water', about: 'Silicone' },
  { value: 'oil film, green or red', label: 'Oil film, green or red', about: 'Mineral oil' },
  { value: 'thick or greasy', label: 'Thick or greasy' },
  { value: 'layers', label: 'Layers' },
];

/** Read the cap, look at the old fluid and the new: what may go in, or stop. */
export function FluidStep({ job, band, onStep }: StepProps) {
  const [draft, setDraft] = useState<FluidDraft>(() => draftOf(job.fluid));
  const act = useJobAct(job);
  const open = job.stage === 'fluid' || job.stage === 'plan';
  const wide = useWideScreen();
  const set = (part: Partial<FluidDraft>) => setDraft((d) => ({ ...d, ...part }));
  const verdict = verdictSoFar(draft);
  const entry = entryOf(draft);
  const missing = unanswered(draft);
  const send = () => {
    if (entry) act.mutate({ kind: 'read fluid', entry }, { onSuccess: () => onStep('plan') });
  };
  return (
    <Page
      band={band}
      beside={
        <View style={{ padding: SPACE.wide }}>
          {verdict ? <Verdict verdict={verdict} /> : <Words tone="softWords">What may go in stands here once the cap and the old fluid are read.</Words>}
        </View>
      }
      action={
        open ? (
          <ActionBar label={verdict?.verdict === 'stop' ? 'Stop: end the job here' : 'Make the plan'} busy={act.isPending} waitsFor={missing} onPress={send} />
        ) : (
          <BackToHand job={job} onStep={onStep} />
        )
      }
    >
      <JobHead job={job} />
      <Choice
        question="Read the cap: which grade?" why="The maker’s word comes before everything. No legend left? Ask the handbook; nothing is filled on a guess."
        options={GRADES.map((g) => ({ value: g.grade, label: g.words }))} chosen={draft.capGrade} onChoose={(capGrade) => set({ capGrade })} stacked disabled={!open}
      />
      <Choice question="Colour in the reservoir?" options={COLOUR_OPTIONS} chosen={draft.colour} onChoose={(colour) => set({ colour })} disabled={!open} />
      <Choice question="Clear, hazy, particles?" options={CLARITIES.map((c) => ({ value: c, label: c }))} chosen={draft.clarity} onChoose={(clarity) => set({ clarity })} disabled={!open} />
      <Choice
        question="Any sign of another product?" why="Smell it, feel it, put a few drops in water." options={FOREIGN_OPTIONS}
        chosen={draft.foreign} onChoose={(foreign) => set({ foreign })} stacked disabled={!open}
      />
      {open ? (
        <Field label="Water, if you have a meter" value={draft.water} onChange={(water) => set({ water })} unit="%" inputMode="decimal" fault={waterEntryFault(draft.water)} />
      ) : null}
      <Choice question="Colour of the new fluid?" why="At the end the bleeder must run like this." options={COLOUR_OPTIONS} chosen={draft.newColour} onChoose={(newColour) => set({ newColour })} disabled={!open} />
      {verdict && !wide ? <Verdict verdict={verdict} /> : null}
      {act.error ? <Caution title={act.error.message} /> : null}
      <EndJob job={job} />
    </Page>
  );
}

/** The verdict as soon as cap and reservoir are read, before anything is sent. */
function verdictSoFar(draft: FluidDraft): FillVerdict | null {
  const { capGrade, colour, clarity, foreign } = draft;
  if (!capGrade || !colour || !clarity || !foreign) return null;
  const water = draft.water.trim() === '' || waterEntryFault(draft.water) ? null : Number(draft.water.replace(',', '.'));
  return fillVerdict(capGrade, { colour, clarity, foreign, waterPercent: water });
}

/** What may go in and why, each reason with how sure it is. */
function Verdict({ verdict }: { readonly verdict: FillVerdict }) {
  const reasons = verdict.reasons.map((r) => (
    <View key={r.code}>
      {r.weight === 'caution' ? <Caution title={FLUID_WORDS[r.code]} /> : <Words>{FLUID_WORDS[r.code]}</Words>}
      <Words size="small" tone="softWords">
        {sourceWords(r.source)}
      </Words>
    </View>
  ));
  return (
    <View style={{ gap: 12 }} aria-live="polite">
      {verdict.verdict === 'stop' ? (
        <Stop title="Stop: nothing is filled">The job ends here on the record, and the vehicle is “do not drive”.</Stop>
      ) : (
        <Words size="head" heading={2}>{`Fill ${verdict.fillGrade}`}</Words>
      )}
      {reasons}
      {verdict.figures.map((f) => (
        <FigureRow key={f.label} figure={f} />
      ))}
    </View>
  );
}
