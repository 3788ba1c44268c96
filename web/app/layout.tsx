import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies, headers } from 'next/headers';
import type { ReactNode } from 'react';
import { DeviceKeeper } from '@/screens/shell/DeviceKeeper';
import { KeyBar } from '@/screens/shell/KeyBar';
import { KeepStill } from '@/screens/shell/KeepStill';
import { PreferencesProvider } from '@/screens/shell/preferences';
import { StyleNonce } from '@/screens/shell/StyleNonce';
import { THEMES, type Theme } from '@/screens/shell/themes';
import { holdTyped } from '@/ui/controls/typedAhead';
import { FACES } from './fonts';

export const metadata: Metadata = {
  title: { default: 'Undrel', template: '%s · Undrel' },
  description: 'Measure, explain and treat buried, girdled and starved trees from the soil line up and down.',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const jar = await cookies();
  const nonce = (await headers()).get('x-nonce') ?? '';
  const kept = jar.get('undrel_theme')?.value;
  const theme: Theme = THEMES.find((t) => t === kept) ?? 'paper';
  const units = jar.get('undrel_units')?.value === 'us' ? 'us' : 'metric';
  return (
    <html lang="en" className={FACES} data-theme={theme} suppressHydrationWarning>
      <body>
        <script
          nonce={nonce}
          suppressHydrationWarning
          dangerouslySetInnerHTML={{ __html: `(${holdTyped})()` }}
        />
        <StyleNonce nonce={nonce} />
        <KeepStill />
        <DeviceKeeper />
        <PreferencesProvider theme={theme} units={units}>
          {children}
          <KeyBar />
        </PreferencesProvider>
      </body>
    </html>
  );
}
