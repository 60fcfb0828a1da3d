import { SubmissionView } from '@/ui/submission/submission-view';

export default function Page() {
  return <SubmissionView />;
}
