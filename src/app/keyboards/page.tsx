import { KeyboardsView } from '@/ui/keyboards/keyboards-view';

export default function Page() {
  return <KeyboardsView />;
}
