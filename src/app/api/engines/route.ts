import { engines } from '@/engines/engines';

export const dynamic = 'force-dynamic';

/** Which engines are on this machine, and how to get those that are not. Paths stay on the server. */
export async function GET(): Promise<Response> {
  const found = await Promise.all(
    Object.values(engines).map(async (engine) => {
      const finding = await engine.find();
      return finding.status === 'found'
        ? { name: engine.name, status: finding.status }
        : { name: engine.name, ...finding };
    }),
  );
  return Response.json(found, { headers: { 'cache-control': 'no-store' } });
}
