import { hasServo } from '@brook/core/vehicle/circuit';
import { judgedByMeasure, measuredAt } from '@brook/core/job/log';
import {
  airWords,
  heldAs,
  heldLoss,
  heldWords,
  isSamePlace,
  judgedWords,
  mayHideMl,
  pedalPasses,
  pedalSetup,
  readingWords,
  type ControlMeasured,
} from '@brook/core/control/pedal';
import { airClueWords, airSits } from '@brook/core/job/run';
import { METHOD_WORDS } from '@brook/core/bleed/method';
import { capital, lowerFirst } from '@brook/core/base/text';
import { View } from 'react-native';
import { Button } from '../../../ui/Button';
import { More } from '../../../ui/More';
import { Caution } from '../../../ui/Notice';
import { Words } from '../../../ui/Words';
import { dayWords } from '../../../ui/dayWords';
import { SPACE } from '../../../ui/theme';
import type { MeasuringProps } from './OneMeasure';
import { useAirLeft } from './useAirLeft';

/** More than this that may hide is no answer, mL [M]: half a millilitre is felt at the foot. */
const TELLS_TO_ML = 1;

/** What the readings amount to: the word, the air that is left and where it most likely sits, and what to do next. */
export function MeasureResult({
  job,
  plan,
  master,
  when,
  run,
  onMore,
}: Pick<MeasuringProps, 'job' | 'plan' | 'master' | 'when' | 'run'> & {
  /** Read the low forces and what else tells more; null where that is done or begun. */
  readonly onMore: (() => void) | null;
}) {
  const { measured } = run.job.proof;
  const here = measuredAt(measured, master.id, when);
  const before = measuredAt(measured, master.id, 'servo emptied');
  const baseline = job.baselines.find((b) => b.masterId === master.id) ?? null;
  const { air, fault, busy } = useAirLeft(plan, {
    masterId: master.id,
    now: when === 'after' ? (here?.readings ?? null) : null,
    baseline: baseline?.readings ?? null,
  });
  if (when !== 'after')
    return <Words>Kept. It is measured again in the same state when the bleed is through.</Words>;
  const judged = judgedByMeasure(plan, measured, master.id);
  const passes = judged !== null && 'result' in judged && pedalPasses(judged.result);
  const tells = air !== null && (air.found || mayHideMl(air) <= TELLS_TO_ML);
  const soft = air !== null && (air.found || (judged !== null && 'result' in judged && !passes));
  const places = soft ? airSits(run.state, master) : [];
  return (
    <View style={{ gap: SPACE.medium }}>
      {judged && 'result' in judged ? (
        <View>
          <Words size="head">{capital(judgedWords(judged))}</Words>
          <Words size="small" tone="softWords">
            A house rule, from memory. The maker’s limit wins.
          </Words>
        </View>
      ) : null}
      {here?.sink && here.sink.mm > 0 ? (
        <Words>{heldWords(sinkLoss(plan, master, here.sink))}</Words>
      ) : null}
      {before && here ? <Compared before={before} after={here} /> : null}
      {busy ? <Words>Reckoning the air …</Words> : null}
      {fault ? <Caution title={fault} /> : null}
      {air ? (
        <View>
          <Words strong>
            {tells ? `Air left: ${airWords(air)}` : 'These readings cannot tell the air'}
          </Words>
          <Words size="small" tone="softWords">
            {baseline
              ? `Against job ${baseline.jobNumber}, ${dayWords(baseline.at)}, when it was bled and released. A model.`
              : 'No bled measure of this vehicle is on record: against what the layout lets expect. A model.'}
          </Words>
          {tells ? null : (
            <Words>{`Up to ${mayHideMl(air).toFixed(1)} mL may hide in them.`}</Words>
          )}
        </View>
      ) : null}
      {onMore ? (
        <Button
          label={
            air !== null && !tells
              ? 'Read the low forces too: they tell'
              : `Measure more: low forces, pumped${hasServo(master, plan.layout.vehicleKind) ? ', engine running' : ''}`
          }
          onPress={onMore}
        />
      ) : null}
      {passes && air?.found ? (
        <Caution title="It passes, and there is air in it">
          Within its limits today. Air moves and grows warm: bleed it again before it is driven, or
          measure it once more.
        </Caution>
      ) : null}
      {soft && places.length > 0 ? (
        <View>
          <Words strong>
            {air.found ? 'Where it most likely sits' : 'Soft, and no air is found'}
          </Words>
          {!air.found ? (
            <Words>
              Rather a hose that swells, play in a bearing, or linings that stand off. Look there
              first.
            </Words>
          ) : null}
          {places.slice(0, 3).map((p, i) => (
            <Words key={p.bleederId}>{`${i + 1}. ${airClueWords(p)}`}</Words>
          ))}
          <Words strong>
            {`Next: ${places[0]!.place} again, ${lowerFirst(METHOD_WORDS[places[0]!.method].title)}.`}
          </Words>
        </View>
      ) : null}
      {air ? (
        <More title="How the air is reckoned" about="A model; its springs and widening are guessed">
          <Words size="small">
            {`From the whole curve of the ${heldAs(master.control)}: what a push moves beyond play, linings and widening is air that is squeezed (Boyle), by the air ${plan.preferences.altitudeM} m above sea level. The springs are tried at 200 strengths by chance, the ruler may err by 1.5 mm at each reading; the band holds the true amount 19 times of 20.`}
          </Words>
        </More>
      ) : null}
    </View>
  );
}

/** What a creep under a steady push loses by the hour, by the bore that the rod pushes. */
const sinkLoss = (
  { layout }: MeasuringProps['plan'],
  master: MeasuringProps['master'],
  { mm, seconds }: { readonly mm: number; readonly seconds: number },
) => {
  const { ratio } = pedalSetup(layout, master.id);
  return heldLoss({
    lostMm: mm,
    hours: seconds / 3600,
    boreMm: master.chambers[0]!.boreMm,
    ratio,
  });
};

/** The same places before and after, with the sign. */
function Compared({
  before,
  after,
}: {
  readonly before: ControlMeasured;
  readonly after: ControlMeasured;
}) {
  const rows = after.readings.flatMap((r) => {
    const was = before.readings.find((b) => isSamePlace(b, r));
    return was ? [{ what: readingWords(r), was: was.heightMm, by: r.heightMm - was.heightMm }] : [];
  });
  if (rows.length === 0) return null;
  return (
    <View>
      <Words strong>Against before the work, servo empty</Words>
      {rows.map(({ what, was, by }) => (
        <Words key={what} size="small">
          {`${what}: ${signed(by)}, was ${was} mm`}
        </Words>
      ))}
    </View>
  );
}

const signed = (mm: number): string => {
  const by = Math.abs(mm).toFixed(1).replace(/\.0$/, '');
  return by === '0' ? 'as before' : `${by} mm ${mm > 0 ? 'higher' : 'lower'}`;
};
