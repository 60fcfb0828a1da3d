import { SurveyView } from '@/ui/survey/survey-view';

export default function Page() {
  return <SurveyView />;
}
