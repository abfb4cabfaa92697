import { UndoAsked } from '../../frame/UndoAsked';
import { bleederName, type Layout } from '@brook/core/vehicle/circuit';
import { jointsOf } from '@brook/core/job/log';
import { LOOK_LATER, type LookLater } from '@brook/core/job/events';
import { partsInHand } from '@brook/core/owed/openItems';
import { nameOf } from '@brook/core/bleed/scope';
import { capital } from '@brook/core/base/text';
import { jointAgain, jointWords } from '@brook/core/vehicle/torque';
import { useState } from 'react';
import { View } from 'react-native';
import { useJobLog, type LiveJob } from '../../../data/run';
import type { StepProps } from '../../frame/step';
import { PageHead } from '../../frame/PageHead';
import { TorqueEntry } from '../torque/TorqueEntry';
import { ActionBar } from '../../../ui/ActionBar';
import { Button } from '../../../ui/Button';
import { Choice } from '../../../ui/Choice';
import { Field } from '../../../ui/Field';
import { Caution } from '../../../ui/Notice';
import { Page } from '../../../ui/Page';
import { typedNumber } from '../../../ui/typedNumber';
import { Words } from '../../../ui/Words';

/** The page of a job with its torques and what is looked at again, in its address. */
export const LOOK_AGAIN_PAGE = 'again';

const WHATS = [
  { value: 'torque', label: 'Torque of a joint' },
  { value: 'later', label: 'A part used again' },
] as const;

/** Torques as they were applied, and parts that are used again: what is above its value, by feel or worn is looked at again. */
export function LookAgainPage({ job, band, pages }: Pick<StepProps, 'job' | 'band' | 'pages'>) {
  const live = useJobLog(job);
  const [what, setWhat] = useState<'torque' | 'later'>('torque');
  const layout = live.job.run?.plan.layout ?? job.layout;
  const places = placesOf(layout, live);
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Back to the step"
          onPress={pages.closePage}
          side={{ label: 'Undo', onPress: live.undo }}
        />
      }
    >
      <PageHead
        vehicle={[job.vehicleName, job.vehicleTag].filter(Boolean).join(' · ')}
        question="Torque, and what is looked at again"
      />
      <UndoAsked live={live} />
      <Choice question="Which?" options={WHATS} chosen={what} onChoose={setWhat} />
      {what === 'torque' ? (
        <Torque job={job} layout={layout} places={places} live={live} />
      ) : (
        <Later places={places} live={live} />
      )}
    </Page>
  );
}

interface Place {
  readonly value: string;
  readonly label: string;
}

/** Bleeders of the plan first, then what was worked on, then everything else. */
function placesOf(layout: Layout, live: LiveJob): readonly Place[] {
  const planned = live.job.run?.plan.openings.map((s) => s.bleeder.id) ?? [];
  const bleeders = layout.bleeders.filter((b) => planned.includes(b.id));
  const parts = partsInHand(live.job).filter((id) => !bleeders.some((b) => b.id === id));
  return [
    ...bleeders.map((b) => ({ value: b.id, label: capital(bleederName(b)) })),
    ...parts.map((id) => ({ value: id, label: capital(nameOf(layout, id)) })),
  ];
}

function Torque({
  job,
  layout,
  places,
  live,
}: Pick<StepProps, 'job'> & {
  readonly layout: Layout;
  readonly places: readonly Place[];
  readonly live: LiveJob;
}) {
  const [elementId, setElementId] = useState<string | null>(null);
  return (
    <>
      <Choice
        question="Which joint?"
        stacked
        options={places}
        chosen={elementId}
        onChoose={setElementId}
      />
      {elementId === null ? null : (
        <TorqueEntry
          key={elementId}
          job={job}
          layout={layout}
          live={live}
          elementId={elementId}
          onSaid={() => setElementId(null)}
        />
      )}
      <View role="list" aria-label="Joints">
        {jointsOf(live.job.log).map((j) => (
          <View key={j.id} role="listitem">
            <Words size="small">
              {`${places.find((p) => p.value === j.elementId)?.label ?? nameOf(layout, j.elementId)}: ${jointWords(j)} (${j.person})${jointAgain(j) ? ', looked at again' : ''}`}
            </Words>
          </View>
        ))}
      </View>
    </>
  );
}

const WHOLE = 'vehicle';

function Later({ places, live }: { readonly places: readonly Place[]; readonly live: LiveJob }) {
  const [why, setWhy] = useState<LookLater | null>(null);
  const [where, setWhere] = useState<string | null>(null);
  const [what, setWhat] = useState('');
  const [day, setDay] = useState('');
  const [km, setKm] = useState('');
  const dayFault =
    day.trim() === '' || /^\d{4}-\d{2}-\d{2}$/.test(day.trim())
      ? null
      : 'Give the day as 2027-05-01.';
  const byKm = km.trim() === '' ? null : typedNumber(km);
  const kmFault = byKm === null || byKm >= 0 ? null : 'Give what the odometer reads then, km.';
  const good = why !== null && where !== null && what.trim().length >= 2 && !dayFault && !kmFault;
  return (
    <>
      {why !== null && why !== 'worn, used again' ? (
        <Caution title="Bench test it first">
          Stroke and return, three times, wet: a part of unknown past may hold today and not
          tomorrow.
        </Caution>
      ) : null}
      <Choice
        question="Why is it looked at again?"
        stacked
        options={LOOK_LATER.map((w) => ({ value: w, label: capital(w) }))}
        chosen={why}
        onChoose={setWhy}
      />
      <Choice
        question="Where?"
        stacked
        options={[...places, { value: WHOLE, label: 'Elsewhere on the vehicle' }]}
        chosen={where}
        onChoose={setWhere}
      />
      <Field
        label="What it is, where it comes from, what was seen"
        value={what}
        onChange={setWhat}
        maxLength={200}
      />
      <Field
        label="Look by"
        why="Such as 2027-05-01."
        value={day}
        onChange={setDay}
        fault={dayFault}
      />
      <Field
        label="Or when the odometer reads"
        unit="km"
        inputMode="numeric"
        value={km}
        onChange={setKm}
        fault={kmFault}
      />
      <Button
        label="It is looked at again"
        disabled={!good}
        onPress={() => {
          live.say({
            kind: 'look later',
            elementId: where === WHOLE ? null : where,
            why: why!,
            what: what.trim(),
            byDate: day.trim() || null,
            byKm,
          });
          setWhat('');
          setWhy(null);
          setWhere(null);
        }}
      />
      <View role="list" aria-label="Looked at again">
        {live.job.log.map((e) =>
          e.kind === 'look later' && !live.job.undone.has(e.id) ? (
            <View key={e.id} role="listitem">
              <Words size="small">{`${capital(e.why)}: ${e.what} (${e.person})`}</Words>
            </View>
          ) : null,
        )}
      </View>
    </>
  );
}
