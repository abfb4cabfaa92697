import type { Layout } from '@brook/core/vehicle/circuit';
import { airTakes, slaveTravel } from '@brook/core/control/clutch';
import { Field } from '../../../ui/Field';
import { FigureRow } from '../../../ui/FigureValue';
import { More } from '../../../ui/More';
import { Words } from '../../../ui/Words';

/** A little air, to say what it takes, mL. */
const SOME_AIR_ML = 0.1;

export interface ReachesSlaveProps {
  readonly layout: Layout;
  readonly masterId: string;
  readonly restMm: number;
  readonly takeUpMm: number;
  /** Where its travel ends; null where there is none, or nobody measured it. */
  readonly endOfTravelMm: number | null;
  readonly playMm: number | null;
  /** What the slave must travel by the manual, as it is typed. */
  readonly need: string;
  readonly needMm: number | null;
  readonly fault: string | null;
  /** Who said it before; null where nobody did. */
  readonly needBy: string | null;
  readonly onNeed: (typed: string) => void;
  /** Whether something is wrong, so that it is looked for. */
  readonly open: boolean;
}

/** What of a clutch pedal's or lever's way reaches the slave, against what it needs, and what a little air takes of it. */
export function ReachesSlave(props: ReachesSlaveProps) {
  const { layout, masterId, restMm, takeUpMm, endOfTravelMm, playMm, open } = props;
  const { need, needMm, fault, needBy, onNeed } = props;
  const reaches = (heightMm: number) =>
    slaveTravel({ layout, masterId, travelMm: restMm - heightMm, playMm });
  const atTakeUp = reaches(takeUpMm);
  const atEnd = reaches(endOfTravelMm ?? 0);
  const taken = airTakes(layout, masterId, SOME_AIR_ML);
  if (!atTakeUp || !atEnd || !taken) return null;
  return (
    <More
      key={open ? 'open' : 'shut'}
      title="What reaches the slave"
      about="Its travel against what it needs, and what air takes"
      open={open}
    >
      <FigureRow label="Slave travel where it takes up" figure={atTakeUp} />
      <FigureRow
        label={
          endOfTravelMm === null
            ? 'Slave travel, pressed right down'
            : 'Slave travel at its end of travel'
        }
        figure={atEnd}
      />
      <FigureRow figure={taken} />
      <Field
        label="Slave must travel, by the manual"
        why={needBy ? `Known from before, by ${needBy}.` : 'Left out where no manual says it.'}
        unit="mm"
        value={need}
        onChange={onNeed}
        fault={fault}
      />
      {needMm === null ? null : <Words strong>{againstNeed(atEnd.value, needMm)}</Words>}
    </More>
  );
}

/** Against what the manual asks for, with the sign, on the tenth that is shown. */
function againstNeed(atEndMm: number, needMm: number): string {
  const spareMm = Math.round(10 * (atEndMm - needMm)) / 10;
  return spareMm >= 0
    ? `Enough, ${spareMm.toFixed(1)} mm to spare, if no air takes of it.`
    : `${(-spareMm).toFixed(1)} mm short, without any air: play, the end of travel, another bore, or wear. Bleeding will not cure it.`;
}
