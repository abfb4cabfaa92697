import { clutchSet } from '@brook/core/control/clutch';
import { linesOf, needsTool } from '@brook/core/bleed/stages';
import type { Job, PlanChoices } from '@brook/contract';
import { chambersOf, type Layout } from '@brook/core/vehicle/circuit';

import {
  ASKS,
  nameOf,
  partnerAdvice,
  purposeWords,
  purposeOf,
  withAsk,
  type Ask,
} from '@brook/core/bleed/scope';
import { useState } from 'react';
import { View } from 'react-native';
import { sameData } from '../../ui/forms/threeWay';
import { ActionBar } from '../../ui/ActionBar';
import { capital } from '@brook/core/base/text';
import { Choice } from '../../ui/Choice';
import { Choices } from '../../ui/Choices';
import { Field } from '../../ui/Field';
import { Page } from '../../ui/Page';
import { leavePage, useUnsaved } from '../../ui/unsaved';
import { Words } from '../../ui/Words';
import { BENCH_OPTIONS, heldDownQuestion, MASTER_QUESTIONS } from './masterQuestions';
import { ANSWERS, YES_NO } from './answers';
import { PartQuestions } from './PartQuestions';
import { lampOfTheValve, workDraft, workFaults, workOf, type WorkDraft } from './work';
import { LeftBefore } from './ScopeWords';
import { PageHead } from '../frame/PageHead';

export interface WorkPageProps {
  readonly job: Job;
  readonly busy: boolean;
  readonly onChoose: (choices: PlanChoices) => void;
  readonly onBack: () => void;
}

/** What was done to the vehicle, asked in facts; what must be opened follows from it. */
export function WorkPage({ job, busy, onChoose, onBack }: WorkPageProps) {
  const { layout, planChoices } = job;
  const [draft, setDraft] = useState<WorkDraft>(() => workDraft(layout, planChoices));
  useUnsaved(!sameData(draft, workDraft(layout, planChoices)));
  const set = (more: Partial<WorkDraft>) => setDraft((d) => ({ ...d, ...more }));
  const faults = workFaults(layout, draft);
  const has = (ask: Ask) => draft.asks.includes(ask);
  const lamp = lampOfTheValve(layout, planChoices.work);
  const onlyRenews = draft.asks.length === 1 && has('renew');
  const first = Object.values(faults)[0] ?? null;
  return (
    <Page
      action={
        <ActionBar
          label="Plan by this"
          busy={busy}
          waitsFor={first}
          onPress={() => onChoose(workOf(layout, draft, planChoices))}
          side={{ label: 'Back', onPress: () => leavePage(onBack) }}
        />
      }
    >
      <PageHead vehicle={job.vehicleName} question="What was done?" />
      <LeftBefore job={job} />
      <Choices
        question="Why is it here?"
        options={ASKS.filter((a) => a !== 'look' || draft.asks.includes(a)).map((a) => ({
          value: a,
          label: purposeWords(purposeOf(a), layout).title,
          about: purposeWords(purposeOf(a), layout).about,
        }))}
        chosen={draft.asks}
        onChoose={(asks) => set({ asks: withAsk(draft.asks, asks) })}
      />
      {layout.masters.length > 1 ? (
        <Choices
          question="What is in hand?"
          options={layout.masters.map((m) => ({
            value: m.id,
            label: capital(m.control),
            about: m.name,
          }))}
          chosen={draft.masterIds}
          onChoose={(masterIds) => set({ masterIds })}
        />
      ) : null}
      {has('part') ? <Changed layout={layout} draft={draft} set={set} /> : null}
      {has('dry') || draft.masterChanged?.done === 'no' ? (
        <Choice
          question="The master?"
          chosen={draft.primeInPlace}
          onChoose={(primeInPlace) => set({ primeInPlace })}
          options={[
            { value: 'bench', label: 'On the bench first' },
            ...(has('dry') && draft.masterIds.some((id) => clutchSet(layout, id))
              ? [{ value: 'as a set' as const, label: 'With line and slave, off as one' }]
              : []),
            { value: 'in place', label: 'Primed in place' },
          ]}
        />
      ) : null}
      {onlyRenews ? null : <Levels layout={layout} draft={draft} set={set} faults={faults} />}
      {layout.nodes.some((n) => n.kind === 'modulator') && !onlyRenews ? (
        <Choice
          question="Was the modulator opened, or did it lose fluid?"
          options={YES_NO}
          chosen={draft.modulatorOpened}
          onChoose={(modulatorOpened) => set({ modulatorOpened })}
        />
      ) : null}
      {layout.nodes.some((n) => n.kind === 'modulator') && has('soft') ? (
        <Choice
          question="Bled already, every wheel clean, and still soft?"
          why="Then air may stand in the modulator, where no stroke reaches it."
          options={YES_NO}
          chosen={draft.stillSoft}
          onChoose={(stillSoft) => set({ stillSoft })}
        />
      ) : null}
      {needsTool(layout) && onlyRenews ? (
        <Choice
          question="Renew the fluid in the ABS pockets too?"
          why="Only a tool-driven cycle reaches it; a routine flush does not need it."
          options={[
            { value: 'no', label: 'Leave it' },
            { value: 'yes', label: 'With the tool' },
          ]}
          chosen={draft.renewPockets}
          onChoose={(renewPockets) => set({ renewPockets })}
        />
      ) : null}
      {layout.nodes.some((n) => n.kind === 'valve' && n.valve === 'differential') ? (
        <Choice
          question="Is the lamp of the differential valve lit?"
          why="It lies towards the end that lost pressure; only what can work there is offered."
          chosen={draft.endLost}
          onChoose={(endLost) => set({ endLost })}
          options={[
            { value: 'no', label: lamp ? 'Another lamp' : 'No' },
            { value: 'front', label: 'Front lost' },
            { value: 'rear', label: 'Rear lost' },
          ]}
        />
      ) : null}
    </Page>
  );
}

interface PartProps {
  readonly layout: Layout;
  readonly draft: WorkDraft;
  readonly set: (more: Partial<WorkDraft>) => void;
}

/** Which parts, and the conditions that keep the scope small, each asked and none assumed. */
function Changed({ layout, draft, set }: PartProps) {
  const masters = layout.masters.filter((m) => draft.masterIds.includes(m.id));
  const advice = partnerAdvice(
    layout,
    [
      ...draft.parts.map((p) => p.partId),
      ...(draft.masterChanged ? [draft.masterChanged.masterId] : []),
    ],
    [],
  );
  return (
    <View style={{ gap: 16 }}>
      <PartQuestions
        layout={layout}
        parts={draft.parts}
        onChange={(parts) => set({ parts })}
        open={draft.parts.length === 0 && draft.masterChanged === null}
      />
      {draft.parts.length > 0 ? (
        <Choice
          compact
          question="Was anything else opened?"
          options={YES_NO}
          chosen={draft.elseOpened}
          onChoose={(elseOpened) => set({ elseOpened })}
        />
      ) : null}
      {draft.parts.length > 1 ? (
        <Choice
          question="Two parts of one circuit?"
          why="Held apart, a fault has one possible author."
          chosen={draft.holdPoint}
          onChoose={(holdPoint) => set({ holdPoint })}
          options={[
            { value: 'yes', label: 'Prove the first, then the next' },
            { value: 'no', label: 'Both at once' },
          ]}
        />
      ) : null}
      <Choice
        question="Was a master changed?"
        stacked
        chosen={draft.masterChanged?.masterId ?? 'none'}
        onChoose={(id) =>
          set({
            masterChanged:
              id === 'none'
                ? null
                : {
                    masterId: id,
                    done: null,
                    bench: null,
                    linesOver: [],
                    answers: {},
                  },
          })
        }
        options={[
          { value: 'none', label: 'No' },
          ...masters.map((m) => ({ value: m.id, label: m.name })),
        ]}
      />
      {draft.masterChanged ? <MasterConditions layout={layout} draft={draft} set={set} /> : null}
      {advice.map((a) => (
        <Field
          key={a.partnerId}
          label={`${a.partnerName}: renewed how long ago?`}
          why="It wears together with what was changed. Leave it empty when nobody knows."
          unit="months"
          inputMode="numeric"
          value={draft.ages[a.partnerId] ?? ''}
          onChange={(months) => set({ ages: { ...draft.ages, [a.partnerId]: months } })}
        />
      ))}
    </View>
  );
}

function MasterConditions({ layout, draft, set }: PartProps) {
  const master = draft.masterChanged!;
  const lines = linesOf(layout, master.masterId);
  const put = (more: Partial<typeof master>) => set({ masterChanged: { ...master, ...more } });
  const { control } = layout.masters.find((m) => m.id === master.masterId)!;
  const asked = MASTER_QUESTIONS.filter(
    (q) => q.asks(layout) && (q.knownBefore || master.done === 'yes'),
  );
  return (
    <View style={{ gap: 12 }}>
      <Choice
        compact
        question="Is the new master on and joined?"
        options={[
          { value: 'yes', label: 'Done' },
          { value: 'no', label: 'Not yet' },
        ]}
        chosen={master.done}
        onChoose={(done) => put({ done })}
      />
      {asked.map((q) => (
        <Choice
          key={q.key}
          compact
          question={q.key === 'heldDown' ? heldDownQuestion(control, 'either') : q.question}
          options={ANSWERS}
          chosen={master.answers[q.key] ?? null}
          onChoose={(a) => put({ answers: { ...master.answers, [q.key]: a } })}
        />
      ))}
      {lines.length > 1 ? (
        <Choices
          question="Do its lines cross?"
          why="Then they cannot move one by one. Tap them from the top down; none where they do not."
          mayBeNone
          options={lines.map((l) => ({ value: l.id, label: l.name }))}
          chosen={master.linesOver}
          onChoose={(linesOver) => put({ linesOver })}
        />
      ) : null}
      {master.linesOver.length > 1 ? (
        <Words size="small">{`From the top down: ${master.linesOver.map((id) => nameOf(layout, id)).join(', ')}.`}</Words>
      ) : null}
      {master.done === 'yes' ? (
        <Choice
          question="How did the bench run end?"
          stacked
          chosen={master.bench}
          onChoose={(bench) => put({ bench })}
          options={[...BENCH_OPTIONS, { value: 'not done', label: 'Not done' }]}
        />
      ) : null}
    </View>
  );
}

/** The lowest level seen decides which system drew air: each outlet has its own height. */
function Levels({
  layout,
  draft,
  set,
  faults,
}: PartProps & { readonly faults: Readonly<Record<string, string>> }) {
  return (
    <>
      {layout.reservoirs.map((b) => {
        const outlets = chambersOf(layout)
          .filter(({ chamber }) => chamber.fedBy === b.id)
          .map(
            ({ master, chamber }) =>
              `${chamber.outlet.belowMaxMm} mm (${master.name.toLowerCase()})`,
          );
        return (
          <Field
            key={b.id}
            label={`${b.name}: lowest level seen`}
            unit="mm below MAX"
            inputMode="numeric"
            fault={faults[b.id]}
            why={`Vehicle level. Leave it empty if it never fell below MIN. Air is drawn at ${[...new Set(outlets)].join(', ')} below MAX.`}
            value={draft.lowest[b.id] ?? ''}
            onChange={(mm) => set({ lowest: { ...draft.lowest, [b.id]: mm } })}
          />
        );
      })}
    </>
  );
}
