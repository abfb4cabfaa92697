import type { MakerEntry, NewVehicle, Vehicle, VehiclePage, VehicleSummary } from '@brook/contract';
import type { Layout } from '@brook/core/circuit';
import type { VehicleHappening } from '@brook/core/log';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { v4 as uuid } from 'uuid';
import { call, callKept } from './call';
import { nowMs } from './clock';
import { deviceId } from './device';

export function useVehicles() {
  return useQuery({
    queryKey: ['vehicles'],
    queryFn: allVehicles,
  });
}

/** All of them, page by page: one is found without reception too. */
async function allVehicles(): Promise<readonly VehicleSummary[]> {
  const all: VehicleSummary[] = [];
  for (let cursor: string | null = ''; cursor !== null; ) {
    const query = { limit: 500, ...(cursor ? { cursor } : {}) };
    const page: VehiclePage = await callKept('/vehicles', { query });
    all.push(...page.vehicles);
    cursor = page.next;
  }
  return all;
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

/** Samples, changes and batches of a vehicle. */
export function useVehicleHistory(id: string) {
  return useQuery({
    queryKey: ['history', id],
    queryFn: () => call('get', '/vehicles/{id}/history', { id }),
  });
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
