import { FormView } from '@/ui/form/form-view';

export default function Page() {
  return <FormView />;
}
