import { FindingsView } from '@/ui/findings/findings-view';

export default function Page() {
  return <FindingsView />;
}
