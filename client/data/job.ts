import type { FluidEntry, FluidUsed, Job, NewJob, Override, PlanChoices } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ApiProblem } from './api';
import { call, callKept } from './call';
import { against, keepLaterJob, knownOf } from './laterJob';

const key = (id: string) => ['job', id] as const;

/** A job with everything on it. */
export function useJob(id: string) {
  return useQuery({
    queryKey: key(id),
    queryFn: () => callKept('/jobs/{id}', { id }),
    structuralSharing: keepLaterJob,
  });
}

export function useOpenJob() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: NewJob) => call('post', '/jobs', { body: given }),
    onSuccess: (job) => {
      client.setQueryData(key(job.id), job);
      forgetLists(client);
    },
  });
}

/** What a person does to a job besides running it. */
export type JobAct =
  | { readonly kind: 'move'; readonly vehicleId: string }
  | { readonly kind: 'read fluid'; readonly entry: FluidEntry }
  | { readonly kind: 'choose plan'; readonly choices: PlanChoices }
  | { readonly kind: 'accept plan'; readonly lookedAtOpened: boolean }
  | { readonly kind: 'fluid used'; readonly used: FluidUsed }
  | { readonly kind: 'let go'; readonly override: Override }
  | { readonly kind: 'set test drive' }
  | { readonly kind: 'end test drive'; readonly result: 'good' | 'bad' }
  | { readonly kind: 'release' }
  | { readonly kind: 'end'; readonly reason: string };

/**
 * Send an act with the version that its page shows, or that its draft was built
 * on: never with a newer one that nobody has seen. On a conflict the job is
 * fetched anew, and the page shows both.
 */
export function useJobAct(job: Pick<Job, 'id' | 'version'>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ builtOn = job.version, ...act }: JobAct & { readonly builtOn?: number }) => {
      return send(act as JobAct, { id: job.id, version: builtOn });
    },
    scope: { id: `job-${job.id}` },
    onSuccess: (changed) => {
      client.setQueryData(key(job.id), changed);
      const shown = client.getQueryData<Job>(key(job.id));
      // Overtaken by taps: what the answer says of the job besides may be older than they are.
      if (shown && against(knownOf(shown), knownOf(changed)).overtaken)
        void client.invalidateQueries({ queryKey: key(job.id) });
      forgetLists(client);
    },
    onError: (error) => {
      if (error instanceof ApiProblem && error.status === 409)
        void client.invalidateQueries({ queryKey: key(job.id) });
    },
  });
}

function send(act: JobAct, to: { readonly id: string; readonly version: number }): Promise<Job> {
  switch (act.kind) {
    case 'move':
      return call('put', '/jobs/{id}/vehicle', { ...to, body: { vehicleId: act.vehicleId } });
    case 'read fluid':
      return call('put', '/jobs/{id}/fluid', { ...to, body: act.entry });
    case 'choose plan':
      return call('put', '/jobs/{id}/plan/choices', { ...to, body: act.choices });
    case 'accept plan':
      return call('post', '/jobs/{id}/plan/accept', {
        ...to,
        body: { lookedAtOpened: act.lookedAtOpened },
      });
    case 'fluid used':
      return call('put', '/jobs/{id}/fluid-used', { ...to, body: act.used });
    case 'let go':
      return call('post', '/jobs/{id}/overrides', { ...to, body: act.override });
    case 'set test drive':
      return call('post', '/jobs/{id}/test-drive', to);
    case 'end test drive':
      return call('post', '/jobs/{id}/test-drive/result', { ...to, body: { result: act.result } });
    case 'release':
      return call('post', '/jobs/{id}/release', to);
    case 'end':
      return call('post', '/jobs/{id}/end', { ...to, body: { reason: act.reason } });
  }
}

/** Lists and vehicles show what a job changes. */
export function forgetLists(client: ReturnType<typeof useQueryClient>): void {
  void client.invalidateQueries({ queryKey: ['jobs'] });
  void client.invalidateQueries({ queryKey: ['vehicles'] });
  for (const key of ['vehicle', 'history', 'overview', 'shelf', 'waste', 'recall'])
    void client.invalidateQueries({ queryKey: [key] });
}
