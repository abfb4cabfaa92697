import type { VehicleSummary } from '@brook/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Field } from '../ui/Field';
import { SPACE } from '../ui/theme';
import { NothingFound } from '../ui/States';
import { Words } from '../ui/Words';
import { findVehicles, SHOWN_AT_ONCE } from './findVehicles';
import { VehicleLine } from './VehicleLine';

export interface VehicleFinderProps {
  readonly vehicles: readonly VehicleSummary[];
  readonly about: (vehicle: VehicleSummary) => string;
  readonly role: 'link' | 'button';
  readonly onPick: (vehicle: VehicleSummary) => void;
}

/** Below this many a list is looked through, not searched. */
const SEARCHED_FROM = 8;

/** A list of vehicles that can be searched by name, tag or layout. */
export function VehicleFinder({ vehicles, about, role, onPick }: VehicleFinderProps) {
  const [query, setQuery] = useState('');
  const found = findVehicles(vehicles, query);
  const shown = found.slice(0, SHOWN_AT_ONCE);
  return (
    <View style={{ gap: SPACE.medium }}>
      {vehicles.length >= SEARCHED_FROM ? (
        <Field
          label="Find a vehicle"
          spoken="Find a vehicle by name, plate or layout"
          value={query}
          onChange={setQuery}
          maxLength={60}
          autoCapitalize="none"
        />
      ) : null}
      {query.trim() === '' ? null : found.length === 0 ? (
        <NothingFound />
      ) : (
        <Words size="small" accessibilityLiveRegion="polite">
          {`${found.length} of ${vehicles.length}`}
        </Words>
      )}
      <View role="list">
        {shown.map((v) => (
          <VehicleLine
            key={v.id}
            vehicle={v}
            about={about(v)}
            role={role}
            onPress={() => onPick(v)}
          />
        ))}
      </View>
      {found.length > shown.length ? (
        <Words size="small" tone="softWords">
          {`and ${found.length - shown.length} more: type a word of its name, plate or layout.`}
        </Words>
      ) : null}
    </View>
  );
}
