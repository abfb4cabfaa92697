import type { Job } from '@brook/contract';
import { StyleSheet, View } from 'react-native';
import { SPACE } from '../../ui/theme';
import { PlanBrook } from './PlanBrook';

/** The brook as the run stands, for the second column of a wide screen; nothing before there is a plan. */
export function BesideBrook({ job }: { readonly job: Job }) {
  if (job.planResult?.verdict !== 'planned') return null;
  return (
    <View style={styles.beside}>
      <PlanBrook job={job} plan={job.planResult.plan} height={420} />
    </View>
  );
}

const styles = StyleSheet.create({ beside: { padding: SPACE.wide } });
