import type { Job } from '@brook/contract';
import { bleederName } from '@brook/core/circuit';
import { DECISION_WORDS, DECISIONS_ON, HALT_WORDS, HALTS_AT_BLEEDER, type Decision, type Halt } from '@brook/core/run';
import type { Plan, PlanStop } from '@brook/core/plan';
import { memo, useState, type ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import type { LiveRun } from '../data/run';
import { FaultList } from '../faults/FaultList';
import { EndJob } from '../jobs/EndJob';
import { JobHead } from '../jobs/JobHead';
import { ActionBar } from '../ui/ActionBar';
import { Choice } from '../ui/Choice';
import { DriveMark } from '../ui/DriveMark';
import { Stop } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Press } from '../ui/Press';
import { Words } from '../ui/Words';
import { colour, SPACE } from '../ui/theme';

/** The run stands still until somebody has decided. */
export function Halted({ job, plan, run, halt, band }: { readonly job: Job; readonly plan: Plan; readonly run: LiveRun; readonly halt: Halt; readonly band: ReactNode }) {
  const [decision, setDecision] = useState<Decision | null>(null);
  const bleeder = plan.stops.find((s) => s.id === halt.stopId)?.bleeder;
  return (
    <Page
      band={band}
      action={
        <ActionBar
          label="Put this decision down" waitsFor={decision ? null : 'Choose what is done about it'}
          onPress={() => decision && run.say({ kind: 'decided', haltId: halt.eventId, decision })}
          side={{ label: 'Undo', onPress: run.undo }}
        />
      }
    >
      <JobHead job={job} />
      <Stop title={`${HALT_WORDS[halt.reason].title}${bleeder ? `, ${bleederName(bleeder)}` : ''}`}>{HALT_WORDS[halt.reason].say}</Stop>
      <FaultList signs={[halt.reason]} />
      <Choice
        question="What is decided?" why="The decision stays on the record with your name." stacked chosen={decision} onChoose={setDecision}
        options={DECISIONS_ON[halt.reason].map((d) => ({ value: d, label: DECISION_WORDS[d].title, about: DECISION_WORDS[d].follows }))}
      />
    </Page>
  );
}

/** The way to say that something went wrong, always at hand during a run. */
export const SomethingWrongButton = memo(function SomethingWrongButton({ onPress }: { readonly onPress: () => void }) {
  return (
    <Press role="button" onPress={onPress} style={styles.wrong} pressedStyle={{ backgroundColor: colour.well }}>
      <Words size="small" strong align="center">
        Something is wrong
      </Words>
    </Press>
  );
});

/** What went wrong, one tap; the run halts on it. */
export function SomethingWrong({ job, run, stop, band, onClose }: { readonly job: Job; readonly run: LiveRun; readonly stop: PlanStop | null; readonly band: ReactNode; readonly onClose: () => void }) {
  return (
    <Page band={band} action={<ActionBar label="All is well: go on" onPress={onClose} />}>
      <View>
        <Words size="small" tone="softWords">
          {`${job.vehicleName}${stop ? ` · ${bleederName(stop.bleeder)}` : ''}`}
        </Words>
        <DriveMark state={job.vehicleDrive} />
        <Words size="head" heading={1}>
          What is wrong?
        </Words>
        <Words tone="softWords">Shut the bleeder first. The run halts until you have decided.</Words>
      </View>
      <View style={styles.list}>
        {HALTS_AT_BLEEDER.map((reason) => (
          <Press
            key={reason} role="button" style={styles.reason} pressedStyle={{ backgroundColor: colour.well }}
            onPress={() => {
              run.say({ kind: 'halted', reason, stopId: stop?.id ?? null });
              onClose();
            }}
          >
            <Words strong>{HALT_WORDS[reason].title}</Words>
          </Press>
        ))}
      </View>
      <EndJob job={job} />
    </Page>
  );
}

const styles = StyleSheet.create({
  wrong: { borderWidth: 1, borderStyle: 'dashed', borderColor: colour.edge, marginTop: SPACE.small },
  list: { gap: SPACE.small },
  reason: { borderWidth: 1, borderColor: colour.edge, paddingHorizontal: SPACE.medium },
});
