import type {
  EventAnswer,
  MakerEntry,
  NewVehicle,
  Vehicle,
  VehicleHistory,
  VehicleSummary,
} from '@brook/contract';
import type { Layout } from '@brook/core/circuit';
import type { VehicleHappening } from '@brook/core/log';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { v4 as uuid } from 'uuid';
import { api } from './api';
import { apiKept } from './apiKept';
import { nowMs } from './clock';
import { deviceId } from './device';

export function useVehicles() {
  return useQuery({
    queryKey: ['vehicles'],
    queryFn: () => apiKept<VehicleSummary[]>('/vehicles'),
  });
}

export function useVehicle(id: string) {
  return useQuery({
    queryKey: ['vehicle', id],
    queryFn: () => apiKept<Vehicle>(`/vehicles/${id}`),
  });
}

export function useAddVehicle() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: NewVehicle) => api<Vehicle>('/vehicles', { method: 'POST', body: given }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['vehicles'] }),
  });
}

/** Samples, changes and batches of a vehicle. */
export function useVehicleHistory(id: string) {
  return useQuery({
    queryKey: ['history', id],
    queryFn: () => api<VehicleHistory>(`/vehicles/${id}/history`),
  });
}

/** Save a layout; jobs that wait for their plan get a new one. */
export function useSaveLayout(vehicle: Pick<Vehicle, 'id' | 'version'>) {
  return useVehicleChange<Layout>(vehicle, 'layout');
}

export function useMakerEntry(vehicle: Pick<Vehicle, 'id' | 'version'>) {
  return useVehicleChange<MakerEntry>(vehicle, 'maker-entry');
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
      const { answers } = await api<{ answers: EventAnswer[] }>(`/vehicles/${vehicleId}/events`, {
        method: 'POST',
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

function useVehicleChange<T>(
  vehicle: Pick<Vehicle, 'id' | 'version'>,
  what: 'layout' | 'maker-entry',
) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: T) =>
      api<Vehicle>(`/vehicles/${vehicle.id}/${what}`, {
        method: 'PUT',
        body,
        version: vehicle.version,
      }),
    onSuccess: (changed) => {
      client.setQueryData(['vehicle', vehicle.id], changed);
      void client.invalidateQueries({ queryKey: ['history', vehicle.id] });
      void client.invalidateQueries({ queryKey: ['job'] });
    },
    // On a conflict the vehicle is fetched anew; the page shows both.
    onError: () => client.invalidateQueries({ queryKey: ['vehicle', vehicle.id] }),
  });
}
