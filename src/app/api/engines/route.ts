import type { EngineStatus } from '@/core/sweep/engine-status';
import { everyEngine } from '@/engines/engines';

export const dynamic = 'force-dynamic';

/** Which engines can be asked, and how to get those that cannot. Paths and addresses stay on the server. */
export async function GET(): Promise<Response> {
  const { all, unusable } = await everyEngine();
  const found = await Promise.all(
    all.map(async ({ name, title, protocol, find }): Promise<EngineStatus> => {
      const finding = await find();
      const described = { name, title, protocol };
      return finding.status === 'found'
        ? { ...described, status: 'found', version: finding.version }
        : { ...described, status: 'missing', failure: finding.failure };
    }),
  );
  return Response.json({ engines: found, unusable }, { headers: { 'cache-control': 'no-store' } });
}
