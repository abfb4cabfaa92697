import { useJobPages } from '../../frame/jobAddress';
import { Button } from '../../../ui/Button';
import { LOOK_AGAIN_PAGE } from './LookAgainPage';

/** The way to torques and to what is looked at again, at hand on every step of an open job. */
export function LookAgainButton({ jobId }: { readonly jobId: string }) {
  const { openPage } = useJobPages(jobId);
  return <Button label="Torque, or look again later" onPress={() => openPage(LOOK_AGAIN_PAGE)} />;
}
