import { TypingView } from '@/ui/typing/typing-view';

export default function Page() {
  return <TypingView />;
}
