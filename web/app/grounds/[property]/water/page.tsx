import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { may } from '@/protocol/roles';
import { WaterScreen } from '@/screens/property/WaterScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { dayOrToday } from '@/server/grounds/waterDay';
import { waterToday } from '@/server/grounds/waterToday';
import { propertySources } from '@/server/offers/propertyWork';

import { logWaterAction } from './actions';

export const metadata: Metadata = { title: 'Water' };

export default async function WaterPage({
  params,
  searchParams,
}: {
  params: Promise<{ property: string }>;
  searchParams: Promise<{ on?: string }>;
}) {
  const { property } = await params;
  const { on, problem } = dayOrToday((await searchParams).on, today());
  const system = await unitsOfDevice();
  const { found, viewer } = await signedIn(async (db, who) => ({
    found: await propertySources(db, who, property, system),
    viewer: who,
  }));
  if (!found) notFound();
  const water = await waterToday(signedIn, property, found.sources, on, viewer);
  const { head, large } = found;
  return (
    <WaterScreen
      water={{ id: head.id, name: head.name, on, large, ...water }}
      today={today()}
      log={may(viewer.role, 'measure') ? logWaterAction : undefined}
      problem={problem}
    />
  );
}
