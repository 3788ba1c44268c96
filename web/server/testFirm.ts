import { randomUUID } from 'node:crypto';
import { foundFirm, type Viewer } from './accounts/session';
import type { Role } from '../protocol/roles';
import { addProperty } from './grounds/grounds';
import { asUser, type Db } from './database/transaction';

/** A firm of its own for one test file, with an owner and a property. */
export async function testFirm(
  role: Role = 'owner',
): Promise<{ viewer: Viewer; propertyId: string; password: string }> {
  const firmId = randomUUID();
  const userId = randomUUID();
  const email = `${userId}@test.example`;
  const password = 'a long enough one';
  await foundFirm(
    { id: firmId, name: 'Test firm', units: 'metric', prefix: 'T' },
    { id: userId, email, name: 'Test owner', password },
  );
  const propertyId = await asUser(firmId, userId, (db) =>
    addProperty(db, { name: 'Test property', client: 'A client', note: '' }),
  );
  return {
    viewer: {
      firmId,
      userId,
      sessionId: '',
      name: 'Test owner',
      email,
      role,
      firmName: 'Test firm',
      units: 'metric',
    },
    propertyId,
    password,
  };
}

/** Runs work as a member of a firm, as the routes do. */
export const asMember =
  ({ viewer }: { viewer: Pick<Viewer, 'firmId' | 'userId'> }) =>
  <T>(work: (db: Db) => Promise<T>): Promise<T> =>
    asUser(viewer.firmId, viewer.userId, work);
