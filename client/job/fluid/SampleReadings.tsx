import { GRADES, type Grade } from '@brook/core/fluid/verdict';
import { DEFAULT_RULES } from '@brook/core/bleed/rules';
import { StyleSheet, View } from 'react-native';
import { useHouseRules } from '../../data/houseRules';
import { Choice } from '../../ui/Choice';
import { Field } from '../../ui/Field';
import { More } from '../../ui/More';
import { SPACE } from '../../ui/theme';
import { FLUID } from '../../ui/theme/fluid';
import { Words } from '../../ui/Words';
import { airHere, sampleFaults, takesWaterMeter, type SampleDraft } from './entry';
import { typedNumber } from '../../ui/typedNumber';
import { InstrumentPanel } from './InstrumentPanel';
import { boilingScale, Scale, waterScale } from './Scale';

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
  const altitudeM = useHouseRules().data?.rules.altitudeM ?? DEFAULT_RULES.altitudeM;
  const typed = (part: Partial<SampleDraft>) => onChange({ ...part, practice: false });
  const fluid = FLUID[sample.dye ?? sample.colour ?? 'straw'];
  const read = (text: string, fault?: string) =>
    text.trim() === '' || fault ? null : typedNumber(text);
  const boils = grade !== 'mineral oil';
  return (
    <View>
      {takesWaterMeter(grade) ? (
        <View style={styles.reading}>
          <Field
            large
            label={`Water, ${place}`}
            why="Conductivity meter"
            value={sample.water}
            onChange={(water) => typed({ water })}
            unit="%"
            inputMode="decimal"
            fault={faults.water}
          />
          <Scale {...waterScale(read(sample.water, faults.water))} fluid={fluid} />
          {sample.water ? (
            <Choice
              question="The meter is set to"
              compact
              options={METER_GRADES}
              chosen={sample.meterGrade ?? grade}
              onChoose={(meterGrade) => onChange({ meterGrade })}
            />
          ) : null}
        </View>
      ) : (
        <Words size="small" tone="softWords">{`A water meter says nothing about ${grade}.`}</Words>
      )}
      {boils ? (
        <More
          title={`Boiling tester, ${place}`}
          about="Counts more than the meter"
          open={Boolean(sample.boiling)}
        >
          <View style={styles.reading}>
            <Field
              large
              label={`Boiling point, ${place}`}
              value={sample.boiling}
              onChange={(boiling) =>
                typed({ boiling, ...(sample.boiling === '' ? airHere(altitudeM) : {}) })
              }
              unit="°C"
              inputMode="decimal"
              fault={faults.boiling}
            />
            <Scale {...boilingScale(read(sample.boiling, faults.boiling), grade)} fluid={fluid} />
          </View>
          {sample.boiling ? (
            <>
              <Choice
                question="The air here, by"
                compact
                options={AIR_BY}
                chosen={sample.airBy}
                onChoose={(airBy) =>
                  onChange(airBy === 'pressure' ? airHere(0) : { airBy, air: String(altitudeM) })
                }
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
        </More>
      ) : null}
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
      {boils ? (
        <More title={`Practice instruments, ${place}`} about="They measure nothing">
          {takesWaterMeter(grade) ? (
            <InstrumentPanel
              kind="water meter"
              place={place}
              onTake={(value) => onChange({ water: value.toFixed(1), practice: true })}
            />
          ) : null}
          <InstrumentPanel
            kind="boiling tester"
            place={place}
            onTake={(value) => onChange({ boiling: value.toFixed(0), practice: true })}
          />
        </More>
      ) : null}
    </View>
  );
}

const styles = StyleSheet.create({ reading: { gap: SPACE.small, paddingBottom: SPACE.medium } });
