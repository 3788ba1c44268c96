import type { Metadata } from 'next';
import { DeviceScreen } from '@/screens/device/DeviceScreen';

export const metadata: Metadata = { title: 'This device' };
// The same for everybody: what it shows is on the device alone. Made for each request, since its scripts carry a nonce.
export const dynamic = 'force-dynamic';

export default function DevicePage() {
  return <DeviceScreen />;
}
