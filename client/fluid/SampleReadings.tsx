import { GRADES, type Grade } from '@brook/core/fluid';
import { View } from 'react-native';
import { Choice } from '../ui/Choice';
import { Field } from '../ui/Field';
import { More } from '../ui/More';
import { SPACE } from '../ui/theme';
import { Words } from '../ui/Words';
import { sampleFaults, takesWaterMeter, type SampleDraft } from './entry';
import { InstrumentPanel } from './InstrumentPanel';

const METER_GRADES = GRADES.filter((g) => takesWaterMeter(g.grade)).map((g) => ({
  value: g.grade,
  label: g.grade,
}));
const AIR_BY = [
  { value: 'pressure', label: 'Barometer' },
  { value: 'altitude', label: 'Altitude' },
] as const;

export interface SampleReadingsProps {
  readonly sample: SampleDraft;
  readonly place: string;
  /** The grade that is taken to be inside. */
  readonly grade: Grade;
  readonly onChange: (part: Partial<SampleDraft>) => void;
}

/** What is measured of one sample: typed, or read off an instrument. */
export function SampleReadings({ sample, place, grade, onChange }: SampleReadingsProps) {
  const faults = sampleFaults(sample);
  const typed = (part: Partial<SampleDraft>) => onChange({ ...part, practice: false });
  return (
    <View style={{ gap: SPACE.large }}>
      {takesWaterMeter(grade) ? (
        <View style={{ gap: SPACE.small }}>
          <Field
            label={`Water, ${place}`}
            why="By a conductivity meter."
            value={sample.water}
            onChange={(water) => typed({ water })}
            unit="%"
            inputMode="decimal"
            fault={faults.water}
          />
          {sample.water ? (
            <Choice
              question="The meter is set to"
              compact
              options={METER_GRADES}
              chosen={sample.meterGrade ?? grade}
              onChoose={(meterGrade) => onChange({ meterGrade })}
            />
          ) : null}
          <InstrumentPanel
            kind="water meter"
            place={place}
            onTake={(value) => onChange({ water: value.toFixed(1), practice: true })}
          />
        </View>
      ) : (
        <Words size="small" tone="softWords">{`A water meter says nothing about ${grade}.`}</Words>
      )}
      {grade === 'mineral oil' ? null : (
        <View style={{ gap: SPACE.small }}>
          <Field
            label={`Boiling point, ${place}`}
            why="From a boiling tester. Counts more than the meter."
            value={sample.boiling}
            onChange={(boiling) => typed({ boiling })}
            unit="°C"
            inputMode="decimal"
            fault={faults.boiling}
          />
          {sample.boiling ? (
            <>
              <Choice
                question="The air here, by"
                compact
                options={AIR_BY}
                chosen={sample.airBy}
                onChoose={(airBy) => onChange({ airBy, air: airBy === 'pressure' ? '1013' : '0' })}
              />
              <Field
                label={sample.airBy === 'pressure' ? 'Air pressure' : 'Altitude'}
                why="A place high up reads low; the reading is corrected to 1013 hPa. Read the barometer here, not reduced to sea level."
                value={sample.air}
                onChange={(air) => onChange({ air })}
                unit={sample.airBy === 'pressure' ? 'hPa' : 'm'}
                inputMode="decimal"
                fault={faults.air}
              />
            </>
          ) : null}
          <InstrumentPanel
            kind="boiling tester"
            place={place}
            onTake={(value) => onChange({ boiling: value.toFixed(0), practice: true })}
          />
        </View>
      )}
      <More
        title={`Strips, ${place}`}
        about="Copper and pH"
        open={Boolean(sample.copper || sample.pH)}
      >
        <Field
          label={`Copper, ${place}`}
          value={sample.copper}
          onChange={(copper) => onChange({ copper })}
          unit="ppm"
          inputMode="numeric"
          fault={faults.copper}
        />
        <Field
          label={`pH, ${place}`}
          value={sample.pH}
          onChange={(pH) => onChange({ pH })}
          inputMode="decimal"
          fault={faults.pH}
        />
      </More>
    </View>
  );
}
