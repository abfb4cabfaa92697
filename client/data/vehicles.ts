import type { NewVehicle, Vehicle, VehicleSummary } from '@brook/contract';
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
