import type { Job } from '@brook/contract';
import type { WayStep } from '@brook/core/job/stage';
import type { ReactNode } from 'react';
import type { JobPages } from './jobAddress';

/** What every step of the job page gets. */
export interface StepProps {
  readonly job: Job;
  /** The way, for the band at the edge. */
  readonly band: ReactNode;
  /** What of the step is open, as the address says. */
  readonly pages: JobPages;
  /** Show another step; held, it stays when the job moves on meanwhile. */
  readonly onStep: (step: WayStep, hold?: 'hold') => void;
}
