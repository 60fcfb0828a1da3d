import type { EngineStatus } from '@/core/observation/engine-status';
import { everyEngine } from '@/engines/engines';
import { readEnginesFile } from '@/engines/engines-file';

export const dynamic = 'force-dynamic';

/** Which engines can be asked, and how to get those that cannot. Paths and addresses stay on the server. */
export async function GET(): Promise<Response> {
  const found = await Promise.all(
    (await everyEngine()).map(async ({ name, title, protocol, find }): Promise<EngineStatus> => {
      const finding = await find();
      const described = { name, title, protocol };
      return finding.status === 'found'
        ? { ...described, status: 'found', version: finding.version }
        : { ...described, status: 'missing', remedy: finding.remedy };
    }),
  );
  const file = await readEnginesFile();
  const body = { engines: found, fault: file.status === 'fault' ? file.text : null };
  return Response.json(body, { headers: { 'cache-control': 'no-store' } });
}
