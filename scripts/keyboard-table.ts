/**
 * npm run keyboards: writes the table of docs/keyboards.md: what comes up for every field of the demo form on every target
 * that brings up a keyboard, by the model. A test holds the two together; what changes here is reviewed before it is
 * committed.
 */
import { readFile, writeFile } from 'node:fs/promises';
import { demoForm } from '@/core/demo/demo-forms';
import { keyboardTable, withKeyboardTable } from '@/core/report/keyboard-table';

const path = 'docs/keyboards.md';
await writeFile(path, withKeyboardTable(await readFile(path, 'utf8'), keyboardTable(demoForm.markup)));
