import type { MakerEntry, NewVehicle, PacePage, Vehicle, VehicleHistory } from '@brook/contract';
import type { Layout } from '@brook/core/vehicle/circuit';
import type { VehicleHappening } from '@brook/core/job/events';
import { useInfiniteQuery, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { v4 as uuid } from '@lukeed/uuid/secure';
import { call, callKept } from './call';
import { nowMs } from './clock';
import { deviceId } from './device';
import { pagesOf, useEarlier, type Earlier } from './pages';

export function useVehicles() {
  return useQuery({
    queryKey: ['vehicles'],
    // All of them: one is found without reception too.
    queryFn: async () =>
      (await pagesOf((query) => callKept('/vehicles', { query }))).flatMap((p) => p.vehicles),
  });
}

export function useVehicle(id: string) {
  return useQuery({
    queryKey: ['vehicle', id],
    queryFn: () => callKept('/vehicles/{id}', { id }),
  });
}

export function useAddVehicle() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: NewVehicle) => call('post', '/vehicles', { body: given }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['vehicles'] }),
  });
}

/** Jobs of a vehicle behind those that came with it. */
export const useEarlierJobs = ({ id, jobs }: Pick<Vehicle, 'id' | 'jobs'>) =>
  useEarlier(['jobs', 'of', id], jobs.next, (query) =>
    call('get', '/jobs', { query: { vehicle: id, ...query } }),
  );

/** What the runs of a vehicle took, newest first. */
export function useVehiclePaces(
  id: string,
): Pick<Earlier<PacePage>, 'pages' | 'more' | 'fetching' | 'fetch'> {
  const { data, hasNextPage, isFetching, fetchNextPage } = useInfiniteQuery({
    queryKey: ['paces', id],
    queryFn: ({ pageParam }) =>
      call('get', '/vehicles/{id}/paces', {
        id,
        query: { limit: 20, ...(pageParam ? { cursor: pageParam } : {}) },
      }),
    initialPageParam: null as string | null,
    getNextPageParam: (page) => page.next,
  });
  return {
    pages: data?.pages ?? [],
    more: hasNextPage,
    fetching: isFetching,
    fetch: () => void fetchNextPage(),
  };
}

/** How the controls of a vehicle were at the end of its jobs, newest first. */
export function useVehicleControls(id: string) {
  return useQuery({
    queryKey: ['controls', id],
    queryFn: async () =>
      (await pagesOf((query) => callKept('/vehicles/{id}/controls', { id, query }))).flatMap(
        (p) => p.controls,
      ),
  });
}

/** Samples, changes and batches of a vehicle. */
export function useVehicleHistory(id: string) {
  return useQuery({
    queryKey: ['history', id],
    queryFn: () => wholeHistory(id),
  });
}

async function wholeHistory(id: string): Promise<VehicleHistory> {
  const pages = await pagesOf((query) => call('get', '/vehicles/{id}/history', { id, query }));
  return {
    ...pages[0],
    samples: pages.flatMap((p) => p.samples),
    changes: pages.flatMap((p) => p.changes),
    odometer: pages.flatMap((p) => p.odometer),
    next: null,
  };
}

/** Save a layout; jobs that wait for their plan get a new one. */
export function useSaveLayout({ id, version }: Pick<Vehicle, 'id' | 'version'>) {
  return useVehicleChange(id, (body: Layout) =>
    call('put', '/vehicles/{id}/layout', { id, body, version }),
  );
}

export function useMakerEntry({ id, version }: Pick<Vehicle, 'id' | 'version'>) {
  return useVehicleChange(id, (body: MakerEntry) =>
    call('put', '/vehicles/{id}/maker-entry', { id, body, version }),
  );
}

/** What anybody may say of a vehicle outside a job; it goes into the vehicle's own log. */
export function useSayOfVehicle(vehicleId: string) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: async (said: VehicleHappening) => {
      const event = {
        id: uuid(),
        deviceId: deviceId(),
        deviceSeq: 1,
        atMs: nowMs(),
        planId: null,
        ...said,
      };
      const { answers } = await call('post', '/vehicles/{id}/events', {
        id: vehicleId,
        body: { events: [event] },
      });
      const [answer] = answers;
      if (answer?.result === 'refused') throw new Error(answer.sentence ?? 'It was refused.');
    },
    onSuccess: () => {
      for (const key of ['vehicle', 'vehicles', 'jobs', 'job'])
        void client.invalidateQueries({ queryKey: [key] });
    },
  });
}

function useVehicleChange<T>(id: string, send: (body: T) => Promise<Vehicle>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: send,
    onSuccess: (changed) => {
      client.setQueryData(['vehicle', id], changed);
      void client.invalidateQueries({ queryKey: ['history', id] });
      void client.invalidateQueries({ queryKey: ['job'] });
    },
    // On a conflict the vehicle is fetched anew; the page shows both.
    onError: () => client.invalidateQueries({ queryKey: ['vehicle', id] }),
  });
}
