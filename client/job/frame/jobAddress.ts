import type { Job } from '@brook/contract';
import { JOB_STAGES, WAY, type JobStage, type WayStep } from '@brook/core/job/stage';
import { router, useLocalSearchParams, type Href } from 'expo-router';
import { useMemo } from 'react';

/**
 * What is open inside a job. It stands in the address, so that the browser's
 * back and a reload stay inside the job.
 */
export interface JobAddress {
  /** The step that is looked back at; null is the step in hand. */
  readonly step: WayStep | null;
  /** The stage at which it was asked for: once the job moves on, it is over. Null holds it whatever the job does. */
  readonly at: JobStage | null;
  /** A page of that step, in the step's own words. */
  readonly page: string | null;
}

export interface JobPages extends JobAddress {
  readonly look: (step: WayStep, at: JobStage | null) => void;
  readonly openPage: (page: string) => void;
  readonly closePage: () => void;
}

type TypedAddress = Readonly<Partial<Record<keyof JobAddress, string>>>;

/** An address as somebody may have typed it; what says nothing is left out. */
export function jobAddressOf({ step, at, page }: TypedAddress): JobAddress {
  return {
    step: WAY.find((s) => s === step) ?? null,
    at: JOB_STAGES.find((s) => s === at) ?? null,
    page: page || null,
  };
}

/** The address in the browser; the step in hand needs no word. */
export function jobHref(jobId: string, { step, at, page }: JobAddress): Href {
  const said = Object.entries({ step, at: step && at, page }).filter(([, v]) => v !== null);
  return { pathname: '/jobs/[id]', params: { id: jobId, ...Object.fromEntries(said) } };
}

export function useJobPages(jobId: Job['id']): JobPages {
  const { step, at, page } = jobAddressOf(useLocalSearchParams<Record<keyof JobAddress, string>>());
  return useMemo(() => {
    const here = { step, at, page };
    const without = jobHref(jobId, { ...here, page: null });
    return {
      ...here,
      look: (toStep, toAt) => {
        if (toStep !== step || toAt !== at || page !== null)
          router.push(jobHref(jobId, { step: toStep, at: toAt, page: null }));
      },
      openPage: (toPage) => router.push(jobHref(jobId, { ...here, page: toPage })),
      // After a reload there is nothing behind the page to go back to.
      closePage: () => (router.canGoBack() ? router.back() : router.replace(without)),
    };
  }, [jobId, step, at, page]);
}
