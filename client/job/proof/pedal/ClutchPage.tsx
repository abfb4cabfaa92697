import { type Master, CONTROL_TRAITS, paths } from '@brook/core/vehicle/circuit';
import {
  airOrRod,
  BLOCKED_ROD_MM,
  blockedTells,
  FREE_PLAY_MM,
  PLAY_MM,
  pushrodTurns,
  SLAVE_READING_MM,
  TAKE_UP_MM,
  takeUpOf,
  type PushrodTurns,
} from '@brook/core/control/clutch';
import { takeUpWords } from '@brook/core/job/gate';
import { takeUpPasses } from '@brook/core/job/items';
import { clutchNeedOf, type ClutchNeed } from '@brook/core/job/log';
import { capital } from '@brook/core/base/text';
import { inRange } from '@brook/core/base/units';
import { useState } from 'react';
import { View } from 'react-native';
import type { LiveRun } from '../../../data/run';
import type { StepProps } from '../../frame/step';
import { BesideBrook } from '../../frame/BesideBrook';
import { PageHead } from '../../frame/PageHead';
import { ActionBar } from '../../../ui/ActionBar';
import { Field } from '../../../ui/Field';
import { More } from '../../../ui/More';
import { Caution } from '../../../ui/Notice';
import { Page } from '../../../ui/Page';
import { inBothUnits, lengthFault, typedLengthMm } from '../../../ui/typedLength';
import { Words } from '../../../ui/Words';
import { clutchNeedDraftOf, clutchNeedTyped, type ClutchNeedDraft } from './clutchNeedDraft';
import { vehicleOf } from './OneMeasure';
import { ReachesSlave } from './ReachesSlave';
import { PedalDrawing, type ClutchAt } from './PedalDrawing';

/** Where a clutch takes up, by a ruler; whether it is air or the rod; and the turns that bring it into its window. */
export function ClutchPage({
  job,
  band,
  pages,
  master,
  run,
}: StepProps & { readonly master: Master; readonly run: LiveRun }) {
  const known = run.job.proof.takeUps.find((t) => t.masterId === master.id) ?? null;
  const said = (mm: number | null | undefined) =>
    mm === null || mm === undefined ? '' : String(mm);
  const [rest, setRest] = useState(said(known?.restMm));
  const [takeUp, setTakeUp] = useState(said(known?.takeUpMm));
  const [pumped, setPumped] = useState(said(known?.pumpedMm));
  const [play, setPlay] = useState(said(known?.playMm));
  const [blocked, setBlocked] = useState(said(known?.blockedMm));
  const [end, setEnd] = useState(said(known?.endOfTravelMm));
  const needed = clutchNeedOf(master.id, { log: run.job.log, earlier: job.clutchNeeds });
  const [need, setNeed] = useState(() => clutchNeedDraftOf(needed));
  const set = (more: Partial<ClutchNeedDraft>) => setNeed((n) => ({ ...n, ...more }));
  const { faults: needFaults, ...wanted } = clutchNeedTyped(need);
  const holdable = paths(job.layout).some((p) => {
    const end = p.points.at(-1)!.node;
    return p.master.id === master.id && end.kind === 'slave' && end.holdable;
  });
  const lever = CONTROL_TRAITS[master.control].held === 'lever';
  const restMm = typedLengthMm(rest);
  const takeUpMm = typedLengthMm(takeUp);
  const pumpedMm = optional(pumped);
  const playMm = optional(play);
  const blockedMm = optional(blocked);
  const endOfTravelMm = optional(end);
  const faults = {
    rest: lengthFault(rest, TAKE_UP_MM),
    takeUp:
      lengthFault(takeUp, TAKE_UP_MM) ??
      (takeUpMm >= restMm ? `It takes up lower than it rests (${restMm} mm).` : null),
    pumped: lengthFault(pumped, TAKE_UP_MM),
    play: lengthFault(play, PLAY_MM),
    blocked: lengthFault(blocked, SLAVE_READING_MM),
    end:
      lengthFault(end, TAKE_UP_MM) ??
      (endOfTravelMm !== null && endOfTravelMm > takeUpMm
        ? `The end of travel lies lower than where it takes up (${takeUpMm} mm).`
        : null),
  };
  const whole =
    inRange(TAKE_UP_MM, restMm) &&
    inRange(TAKE_UP_MM, takeUpMm) &&
    Object.values(faults).every((f) => f === null);
  const needWhole = Object.values(needFaults).every((f) => f === null);
  const word = whole ? takeUpOf(restMm, takeUpMm) : null;
  const cause = whole && pumpedMm !== null ? airOrRod(takeUpMm, pumpedMm) : null;
  const turns = whole && playMm !== null && !lever ? turnsFor() : null;

  function turnsFor(): PushrodTurns | null {
    const { window, pitchMm } = wanted;
    if (!window || pitchMm === null) return null;
    return pushrodTurns({
      takeUpMm,
      window,
      pitchMm,
      ratio: master.ratio,
      freePlayMm: playMm!,
      playAt: 'rod',
    });
  }
  const record = () => {
    run.say({
      kind: 'take-up read',
      masterId: master.id,
      restMm,
      takeUpMm,
      pumpedMm,
      playMm,
      ...(blockedMm === null ? {} : { blockedMm }),
      ...(endOfTravelMm === null ? {} : { endOfTravelMm }),
    });
    // What is known already is not said again.
    if (needed ? !isSame(needed, wanted) : Object.values(wanted).some((v) => v !== null))
      run.say({ kind: 'clutch needs', masterId: master.id, ...wanted });
    pages.closePage();
  };
  return (
    <Page
      band={band}
      beside={<BesideBrook job={job} />}
      action={
        <ActionBar
          label="That is measured"
          waitsFor={
            !whole
              ? 'Read where it rests and where it takes up'
              : needWhole
                ? null
                : 'Put what it needs right, or leave it out'
          }
          onPress={record}
          side={{ label: 'Back', onPress: pages.closePage }}
        />
      }
    >
      <PageHead
        vehicle={vehicleOf(job)}
        question={`${capital(master.control)}: where does it take up?`}
      />
      <Caution
        title={
          lever
            ? 'On its stand, engine off'
            : 'Wheels chocked, parking brake on, nobody in front or behind'
        }
      >
        {lever
          ? 'Rock it in gear and let the lever out slowly: where the wheel is held.'
          : 'Let it out slowly in first: where it just begins to pull.'}
      </Caution>
      <PedalDrawing
        held={lever ? 'lever' : 'pedal'}
        at={nextAt({ rest, takeUp, play, end }, lever)}
        pumped={false}
        forcesN={[]}
      />
      <Field large label="At rest" unit="mm" value={rest} onChange={setRest} fault={faults.rest} />
      <Field
        large
        label="Takes up at"
        unit="mm"
        value={takeUp}
        onChange={setTakeUp}
        fault={faults.takeUp}
      />
      {word ? (
        <Words
          strong
        >{`${capital(takeUpWords(word, master.control))}: ${inBothUnits(takeUpMm)} of ${inBothUnits(restMm)}`}</Words>
      ) : null}
      {word && wanted.window ? (
        <Words>{`${windowWords(takeUpMm, wanted.window)}${needed && isSame(needed, wanted) ? `, by ${needed.by}` : ''}.`}</Words>
      ) : null}
      {word && !takeUpPasses(word) ? (
        <Caution title="Too near its end: air or lost stroke">
          Pump it five times quickly and read it again below: that tells which.
        </Caution>
      ) : null}
      <Field
        label="After pumping five times"
        why="Air is squeezed together, and it takes up higher; a rod is as long as before."
        unit="mm"
        value={pumped}
        onChange={setPumped}
        fault={faults.pumped}
      />
      {cause ? (
        <Words strong>
          {cause === 'air'
            ? `It is air: ${Math.round(pumpedMm! - takeUpMm)} mm higher. Bleed it before the rod is turned.`
            : 'Not air: it stays where it was. The rod, or wear.'}
        </Words>
      ) : null}
      {whole ? (
        <ReachesSlave
          layout={job.layout}
          masterId={master.id}
          restMm={restMm}
          takeUpMm={takeUpMm}
          endOfTravelMm={endOfTravelMm}
          playMm={playMm}
          need={need.slaveTravel}
          needMm={wanted.slaveTravelMm}
          fault={needFaults.slaveTravel}
          needBy={needed?.slaveTravelMm == null ? null : needed.by}
          onNeed={(slaveTravel) => set({ slaveTravel })}
          open={word !== null && !takeUpPasses(word)}
        />
      ) : null}
      {holdable ? (
        <More
          key={`blocked ${cause ?? 'not known'}`}
          title="Slave blocked: is it above or below?"
          about="Where pumping tells air, or nothing is found"
          open={cause === 'air' || (known?.blockedMm ?? null) !== null}
        >
          <Words>
            Block the slave’s rod so that it cannot move, hands off its bore. Push the master by
            hand and read how far its rod goes.
          </Words>
          <Field
            label="Rod of the master moves by"
            why={`Less than ${BLOCKED_ROD_MM} mm: nothing gives.`}
            unit="mm"
            value={blocked}
            onChange={setBlocked}
            fault={faults.blocked}
          />
          {blockedMm === null || faults.blocked ? null : (
            <Words strong>
              {blockedTells(blockedMm) === 'sound'
                ? 'Sound from the master to the slave: look at fork, bearing and rod.'
                : 'It gives: air is left, or the master lets past. Bleed it again; if it stays, the master.'}
            </Words>
          )}
        </More>
      ) : null}
      <Field
        label="Free play at the rod"
        why={`${FREE_PLAY_MM.least} to ${FREE_PLAY_MM.most} mm are usual; some manuals measure it at the pedal.`}
        unit="mm"
        value={play}
        onChange={setPlay}
        fault={faults.play}
      />
      {lever ? null : (
        <Field
          label="End of travel at"
          why="Above the floor, pressed right down. Left out where there is none."
          unit="mm"
          value={end}
          onChange={setEnd}
          fault={faults.end}
        />
      )}
      {endOfTravelMm !== null && whole && !lever ? (
        <Words>
          {`${Math.round(takeUpMm - endOfTravelMm)} mm of travel beyond the take-up. It needs enough that reverse goes in silently; more strains the spring. The maker’s figure wins.`}
        </Words>
      ) : null}
      {lever ? null : (
        <More
          // It opens by itself once it is known that the rod is it.
          key={cause ?? 'not known'}
          title="Turn the rod"
          about="Turns for a wanted take-up, as far as the free play allows"
          open={cause === 'rod'}
        >
          {needed?.window ? <Words>{`Known from before, by ${needed.by}.`}</Words> : null}
          <Field
            label="Wanted from"
            why="Where reverse still goes in silently."
            unit="mm"
            value={need.least}
            onChange={(least) => set({ least })}
            fault={needFaults.least}
          />
          <Field
            label="Wanted to"
            unit="mm"
            value={need.most}
            onChange={(most) => set({ most })}
            fault={needFaults.most}
          />
          <Field
            label="Thread of the rod"
            why="What one turn moves it by."
            unit="mm"
            value={need.pitch}
            onChange={(pitch) => set({ pitch })}
            fault={needFaults.pitch}
          />
          {turns === null ? null : <TurnsFound turns={turns} />}
        </More>
      )}
    </Page>
  );
}

function TurnsFound({ turns }: { readonly turns: PushrodTurns }) {
  const n = Math.abs(turns.turns).toFixed(1);
  return (
    <View>
      <Words size="head">{`${n} turns ${turns.turns >= 0 ? 'longer' : 'shorter'}`}</Words>
      <Words>{`Then it takes up at ${inBothUnits(Math.round(turns.takeUpMm))}, with ${turns.freePlayMm.toFixed(1)} mm of free play left.`}</Words>
      {turns.heldBack ? (
        <Words strong>
          The free play holds it back: the piston must come home. More is wear, or another rod.
        </Words>
      ) : null}
      <Words>
        Then measure again, and try reverse, engine running. Set the pedal’s stop anew: one that is
        too low strains the spring.
      </Words>
      <Words size="small" tone="softWords">
        One turn moves the pedal by thread × ratio. Lever arithmetic.
      </Words>
    </View>
  );
}

/** What is read next: it is drawn. */
function nextAt(
  typed: Readonly<Record<'rest' | 'takeUp' | 'play' | 'end', string>>,
  lever: boolean,
): 'rest' | ClutchAt {
  if (typed.rest.trim() === '') return 'rest';
  if (typed.takeUp.trim() === '') return 'takes up';
  return typed.play.trim() === '' || lever ? 'free play' : 'end of travel';
}

/** Against the window that is wanted, with the sign, on the millimetre that is shown. */
function windowWords(takeUpMm: number, { leastMm, mostMm }: NonNullable<ClutchNeed['window']>) {
  const said = `wanted ${plain(leastMm)} to ${plain(mostMm)} mm`;
  if (takeUpMm < leastMm) return `${plain(leastMm - takeUpMm)} mm below its window: ${said}`;
  if (takeUpMm > mostMm) return `${plain(takeUpMm - mostMm)} mm above its window: ${said}`;
  return `Within its window: ${said}`;
}

const plain = (mm: number): string => String(Number(mm.toFixed(1)));

/** Whether the same is wanted as is known. */
const isSame = (
  known: ClutchNeed,
  { slaveTravelMm, window, pitchMm }: Pick<ClutchNeed, 'slaveTravelMm' | 'window' | 'pitchMm'>,
): boolean =>
  known.slaveTravelMm === slaveTravelMm &&
  known.pitchMm === pitchMm &&
  known.window?.leastMm === window?.leastMm &&
  known.window?.mostMm === window?.mostMm;

const optional = (text: string): number | null => (text.trim() === '' ? null : typedLengthMm(text));
