'use client';

import { Alert, Button } from 'antd';
import { useLiveQuery } from 'dexie-react-hooks';
import { openDatabase } from '@/store/database';
import { nameOfSpoiled, setAsideFile } from '@/store/set-aside';
import { download } from './download';

/** Names what could not be read of what this browser keeps, until the person has saved or deleted it. */
export function SetAsideNotice() {
  const rows = useLiveQuery(() => openDatabase().setAside.toArray());
  if (!rows || rows.length === 0) return null;
  const names = rows.slice(0, 3).map(nameOfSpoiled).join(', ');
  return (
    <Alert
      type="warning"
      showIcon
      style={{ margin: '10px 16px 0' }}
      title={`Damaged in this browser’s storage and set aside: ${names}${rows.length > 3 ? ` and ${rows.length - 3} more` : ''}. Everything else is kept.`}
      action={
        <>
          <Button
            size="small"
            onClick={async () => download(await setAsideFile(openDatabase()), 'ukko-set-aside.json')}
          >
            Save as a file
          </Button>{' '}
          <Button size="small" onClick={() => void openDatabase().setAside.clear()}>
            Delete
          </Button>
        </>
      }
    />
  );
}
