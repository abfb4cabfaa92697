import type { OwnStage as Stage } from '@brook/core/bleed/stages';
import type { ComponentType, ReactNode } from 'react';
import { BenchStage } from './BenchStage';
import { InjectionStage } from './InjectionStage';
import { OwnStage } from './OwnStage';
import { PartStage } from './PartStage';
import { SlaveStage } from './SlaveStage';
import type { StageProps } from './StageFrame';
import { StripStage } from './StripStage';
import { TieBackStage } from './TieBackStage';
import { ToolStage } from './ToolStage';
import { WaterTestStage } from './WaterTestStage';

type Screen<S> = ComponentType<StageProps & { readonly stage: S; readonly action: ReactNode }>;

/** The screen of each kind of stage that opens no bleeder; a kind without one does not compile. */
const SCREENS: { readonly [K in Stage['kind']]: Screen<Extract<Stage, { readonly kind: K }>> } = {
  strip: StripStage,
  'right part': PartStage,
  bench: BenchStage,
  'join lines': OwnStage,
  'centre the valve': OwnStage,
  injection: InjectionStage,
  'hold point': OwnStage,
  'tool cycle': ToolStage,
  'slave test': SlaveStage,
  'tie back': TieBackStage,
  'water test': WaterTestStage,
};

/** A stage that opens no bleeder, on its own screen. */
export function StageStep(
  props: StageProps & { readonly stage: Stage; readonly action: ReactNode },
) {
  const Screen = SCREENS[props.stage.kind] as Screen<Stage>;
  return <Screen {...props} />;
}
