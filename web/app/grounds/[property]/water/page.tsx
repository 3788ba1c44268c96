import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { WaterScreen } from '@/screens/property/WaterScreen';
import { unitsOfDevice } from '@/server/accounts/device';
import { signedIn } from '@/server/accounts/viewer';
import { today } from '@/server/cases/write';
import { dayOrToday } from '@/server/grounds/waterDay';
import { waterOfProperty } from '@/server/grounds/waterOfProperty';
import { placeOfGrounds } from '@/server/grounds/weather';
import { propertySources } from '@/server/offers/propertyWork';
import { simulatedWeather } from '@/stand-ins/weather';

export const metadata: Metadata = { title: 'Water' };

/** Years of weather that tell what the next weeks may bring. */
const YEARS = 12;
/** Height above the sea where nobody noted it, m. Judgement: it changes little. */
const ELEVATION = 100;
/** Latitude where neither the property nor the service knows it, degrees. */
const LATITUDE = 50;

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
  const { found, place, viewer } = await signedIn(async (db, who) => ({
    found: await propertySources(db, who, property, system),
    place: await placeOfGrounds(db, property),
    viewer: who,
  }));
  if (!found) notFound();
  const latitude = place?.latitude ?? (await simulatedWeather.place(property))?.latitude ?? LATITUDE;
  const from = `${Number(on.slice(0, 4)) - YEARS}-01-01`;
  const known = await simulatedWeather.days(property, from, on, latitude);
  const made = await waterOfProperty(
    found.sources,
    { place: { latitude, elevation: ELEVATION }, known, on },
    viewer,
  );
  const { head } = found.rows;
  return (
    <WaterScreen
      water={{
        id: head.id,
        name: head.name,
        on,
        source: simulatedWeather.source,
        latitude,
        noted: place !== undefined,
        ...made,
      }}
      today={today()}
      problem={problem}
    />
  );
}
