import { withoutFirm } from '@/server/database/transaction';

/** Answers when the application and its database do. */
export async function GET(): Promise<Response> {
  try {
    await withoutFirm((db) => db.rows('select 1'));
    return Response.json({ ok: true });
  } catch {
    return Response.json({ ok: false, problem: 'The database does not answer.' }, { status: 503 });
  }
}
