import type { MakerEntry, NewVehicle, Vehicle, VehicleHistory, VehicleSummary } from '@brook/contract';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api } from './api';

export function useVehicles() {
  return useQuery({ queryKey: ['vehicles'], queryFn: () => api<VehicleSummary[]>('/vehicles') });
}

export function useVehicle(id: string) {
  return useQuery({ queryKey: ['vehicle', id], queryFn: () => api<Vehicle>(`/vehicles/${id}`) });
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
  return useQuery({ queryKey: ['history', id], queryFn: () => api<VehicleHistory>(`/vehicles/${id}/history`) });
}

export function useMakerEntry(vehicle: Pick<Vehicle, 'id' | 'version'>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (entry: MakerEntry) => api<Vehicle>(`/vehicles/${vehicle.id}/maker-entry`, { method: 'PUT', body: entry, version: vehicle.version }),
    onSuccess: (changed) => {
      client.setQueryData(['vehicle', vehicle.id], changed);
      void client.invalidateQueries({ queryKey: ['history', vehicle.id] });
      void client.invalidateQueries({ queryKey: ['job'] });
    },
    onError: () => client.invalidateQueries({ queryKey: ['vehicle', vehicle.id] }),
  });
}
