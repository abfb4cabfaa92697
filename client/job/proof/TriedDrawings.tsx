import type { ControlCheck } from '@brook/core/job/items';
import { Circle, G, Line, Path, Rect } from 'react-native-svg';
import { FLUID } from '../../ui/theme/fluid';
import {
  Dial,
  Gear,
  Goes,
  INK,
  Note,
  Rays,
  SmallCar,
  SmallLever,
  SmallMotorcycle,
  SmallPedal,
} from './drawn';

export interface TriedDrawnProps {
  readonly held: 'pedal' | 'lever' | 'coupling';
}

/** A wheel that turns on although its brake is held. */
const TurnsOn = ({ held }: TriedDrawnProps) => (
  <G>
    {held === 'lever' ? (
      <SmallLever x={30} y={96} pulled={0.7} />
    ) : (
      <SmallPedal x={70} y={14} pushed={0.6} />
    )}
    <Circle cx={200} cy={78} r={48} {...INK} strokeWidth={8} />
    <Circle cx={200} cy={78} r={24} {...INK} />
    <Path d="M 152 40 A 60 60 0 0 1 236 26" {...INK} strokeDasharray="5 4" />
    <Goes from={{ x: 230, y: 22 }} to={{ x: 240, y: 28 }} />
    <Note x={120} y={146} words="turns with the brake on" />
  </G>
);

/** A pedal that does not move when the engine starts. */
const DoesNotGive = () => (
  <G>
    <SmallPedal x={90} y={14} pushed={0.45} />
    <Goes from={{ x: 36, y: 90 }} to={{ x: 66, y: 90 }} />
    <Dial x={226} y={80} share={0.3} />
    <Note x={192} y={104} words="engine on" />
    <Note x={120} y={140} words="hard as before" />
  </G>
);

/** A car that pulls while its pedal is down. */
const PullsWithPedalDown = () => (
  <G>
    <SmallPedal x={58} y={14} pushed={0.9} />
    <SmallCar x={136} y={120} movedBy={24} />
    <Goes from={{ x: 160, y: 138 }} to={{ x: 216, y: 138 }} />
    <Note x={136} y={40} words="pedal down: it pulls" />
  </G>
);

/** Teeth that meet while one of them still turns. */
const Grates = () => (
  <G>
    <SmallPedal x={70} y={14} pushed={0.9} />
    <Note x={40} y={140} words="down, 5 s" />
    <Gear x={196} y={88} />
    <Gear x={238} y={88} />
    <Rays x={217} y={62} />
    <Note x={184} y={136} words="R: it grates" />
  </G>
);

/** The way of a gear lever, with a rub where it should be free. */
const Hooks = () => (
  <G>
    <Path d="M 110 30 V 120 M 150 30 V 120 M 190 30 V 120 M 110 75 H 190" {...INK} />
    <Circle cx={110} cy={50} r={10} {...INK} />
    <Rays x={110} y={40} />
    <Note x={84} y={70} words="1" />
    <Note x={206} y={80} words="neutral" />
    <Note x={206} y={54} words="hooks here" />
  </G>
);

/** A car that crawls on while its pedal is held down. */
const Crawls = () => (
  <G>
    <SmallPedal x={58} y={14} pushed={0.9} />
    <Note x={30} y={140} words="held, 60 s" />
    <SmallCar x={136} y={116} movedBy={14} />
    <Goes from={{ x: 160, y: 134 }} to={{ x: 188, y: 134 }} />
    <Note x={136} y={40} words="first gear: it crawls" />
  </G>
);

/** An engine that races while the vehicle does not. */
const Races = () => (
  <G>
    <Dial x={90} y={90} share={0.9} />
    <Note x={54} y={116} words="engine races" />
    <Dial x={210} y={90} share={0.2} />
    <Note x={176} y={116} words="speed stays" />
  </G>
);

/** A pedal that pushes its rod at rest already. */
const NoPlay = () => (
  <G>
    <SmallPedal x={90} y={14} pushed={0} />
    <Rect x={150} y={36} width={70} height={26} {...INK} />
    <Line x1={84} y1={49} x2={150} y2={49} {...INK} />
    <Rect x={150} y={38} width={10} height={22} fill={FLUID.straw} />
    <Note x={150} y={92} words="pushed at rest:" />
    <Note x={150} y={110} words="no play" />
  </G>
);

/** A motorcycle in gear that stays stuck with its lever pulled in. */
const StaysStuck = () => (
  <G>
    <SmallLever x={188} y={64} pulled={1} />
    <SmallMotorcycle x={52} y={132} />
    <Goes from={{ x: 84, y: 144 }} to={{ x: 64, y: 144 }} />
    <Goes from={{ x: 92, y: 144 }} to={{ x: 112, y: 144 }} />
    <Note x={192} y={104} words="rocked: stuck" />
  </G>
);

/** A motorcycle that jumps as first goes in, somebody astride. */
const Lurches = () => (
  <G>
    <SmallMotorcycle x={52} y={138} rider />
    <SmallLever x={188} y={64} pulled={1} />
    <Goes from={{ x: 184, y: 116 }} to={{ x: 226, y: 116 }} />
    <Note x={236} y={122} words="jumps" />
  </G>
);

/** From first straight to second, past a neutral that does not come. */
const NeutralHides = () => (
  <G>
    <Line x1={110} y1={24} x2={110} y2={130} {...INK} />
    {(['2', 'N', '1'] as const).map((gear, i) => (
      <G key={gear}>
        <Circle cx={110} cy={36 + i * 42} r={11} {...INK} />
        <Note x={84} y={41 + i * 42} words={gear} />
      </G>
    ))}
    <Path d="M 124 120 Q 176 78 126 42" {...INK} strokeDasharray="5 4" />
    <Goes from={{ x: 134, y: 48 }} to={{ x: 124, y: 40 }} />
    <Note x={166} y={82} words="past neutral" />
  </G>
);

/** A lever that stays where it was pulled. */
const StaysIn = () => (
  <G>
    <SmallLever x={80} y={108} pulled={0.8} />
    <Goes from={{ x: 200, y: 92 }} to={{ x: 200, y: 64 }} />
    <Note x={214} y={82} words="stays in" />
  </G>
);

/** A boot of a slave with a drop under it. */
const WetBoot = () => (
  <G>
    <Rect x={60} y={50} width={92} height={40} {...INK} />
    <Path
      d="M 152 54 l 8 6 l -8 6 l 8 6 l -8 6 l 8 6 l -8 4 M 162 58 L 186 66 V 76 L 162 86"
      {...INK}
    />
    <Line x1={186} y1={71} x2={250} y2={71} {...INK} strokeWidth={6} />
    <Circle cx={170} cy={104} r={5} fill={FLUID.brown} />
    <Circle cx={171} cy={122} r={3.5} fill={FLUID.brown} />
    <Note x={184} y={112} words="wet under the boot" />
  </G>
);

/** What is tried at a control, as it looks when it is wrong; a coupling is told in words. */
export const TRIED_DRAWN: Readonly<
  Partial<Record<ControlCheck, (props: TriedDrawnProps) => React.JSX.Element>>
> = {
  'wheels held and free': TurnsOn,
  'servo gives': DoesNotGive,
  'engages and releases': PullsWithPedalDown,
  'reverse silent': Grates,
  'first and back': Hooks,
  'no creep': Crawls,
  'no slip': Races,
  'free play': NoPlay,
  'rolls in gear': StaysStuck,
  'first without lurch': Lurches,
  'neutral found': NeutralHides,
  'comes back': StaysIn,
  'slave and master dry': WetBoot,
};
