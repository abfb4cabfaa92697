import { useJobPages } from '../../frame/jobAddress';
import { Button } from '../../../ui/Button';

/** The page of a job with its photos and voice notes, in its address. */
export const MEDIA_PAGE = 'media';

/** The way to take a photo or speak, at hand on every step of an open job. */
export function MediaButton({
  jobId,
  small,
  label = 'Photo or voice',
}: {
  readonly jobId: string;
  readonly small?: boolean;
  readonly label?: string;
}) {
  const { openPage } = useJobPages(jobId);
  return <Button label={label} small={small} onPress={() => openPage(MEDIA_PAGE)} />;
}
