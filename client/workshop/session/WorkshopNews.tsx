import { usePathname } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { useSession } from '../../data/session';
import { useWorkshopNews } from '../../data/workshopNews';
import { colour, SPACE } from '../../ui/theme';
import { Words } from '../../ui/Words';

/** Whatever page may show what may be driven, but for those of a job, which has a line of its own, and those of nobody's workshop. */
const WITHOUT_LINE = /^\/(jobs\/|sign-in|help|join)/;

/** Keeps lists and vehicles as they are told; says so where too many pages are open for it. */
export function WorkshopNews() {
  const signedIn = useSession().data !== undefined;
  const full = useWorkshopNews(!WITHOUT_LINE.test(usePathname()) && signedIn);
  if (!full) return null;
  return (
    <View role="status" style={styles.bar}>
      <Words size="small" strong>
        Too many pages are open: what others do is seen here only after loading anew.
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  bar: {
    backgroundColor: colour.well,
    borderBottomWidth: 1,
    borderBottomColor: colour.edge,
    padding: SPACE.small,
    paddingHorizontal: SPACE.medium,
  },
});
