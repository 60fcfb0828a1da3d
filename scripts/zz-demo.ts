import { writeFileSync } from 'node:fs';
import { demoForm } from '@/core/demo/demo-forms';

writeFileSync('/tmp/ukko-t/demo.html', demoForm.markup);
