import { signedIn } from '@/server/accounts/viewer';
import { beside } from '@/server/beside';
import { today } from '@/server/cases/write';
import { propertySources } from '@/server/offers/propertyWork';

/** The notice of a property as it is made today; undefined where there is no such property. */
export async function noticeHere(propertyId: string) {
  const { viewer, found } = await signedIn(async (db, who) => ({
    viewer: who,
    found: await propertySources(db, who, propertyId, 'metric'),
  }));
  if (!found) return undefined;
  const { id, name, client } = found.head;
  const told = await beside(
    'notice',
    { sources: found.sources, firm: viewer.firmName, property: name, client: client ?? '', on: today() },
    viewer,
  );
  return { ...told, viewer, property: { id, name }, large: found.large };
}
