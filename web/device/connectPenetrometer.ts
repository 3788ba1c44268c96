import { simulatedPort, simulatedRadio } from '../stand-ins/penetrometer';
import { lineDriver } from './penetrometer/lineDriver';
import type { Penetrometer } from './penetrometer/penetrometer';
import { SERVICE, wireOfPort, wireOfRadio, type Radio } from './penetrometer/wire';

/** How a penetrometer is reached. */
export const CONNECTIONS = [
  { key: 'simulated-cable', label: 'Simulated, by cable' },
  { key: 'simulated-bluetooth', label: 'Simulated, by Bluetooth' },
  { key: 'cable', label: 'By cable' },
  { key: 'bluetooth', label: 'By Bluetooth' },
] as const;
export type Connection = (typeof CONNECTIONS)[number]['key'];

export const isSimulated = (connection: Connection): boolean => connection.startsWith('simulated');

/** Which of them this browser knows how to make. */
export const connectionsHere = (): Connection[] => [
  'simulated-cable',
  'simulated-bluetooth',
  ...('serial' in navigator ? (['cable'] as const) : []),
  ...('bluetooth' in navigator ? (['bluetooth'] as const) : []),
];

/** Nothing was chosen in the browser's own list, or the device does not open: in words. */
function inWords(error: unknown): Error {
  const name = (error as { name?: string } | undefined)?.name;
  if (name === 'NotFoundError') return new Error('No device was chosen.');
  if (name === 'SecurityError' || name === 'NotAllowedError')
    return new Error(
      'The browser does not let this page reach devices: allow it in the settings of the site.',
    );
  if (name === 'NetworkError' || name === 'InvalidStateError')
    return new Error('The device does not open: is it switched on, and is nothing else using it?');
  return error instanceof Error ? error : new Error('The device could not be reached.');
}

/** Opens a penetrometer. Must be called as something is pressed: the browser asks which device. @throws Error in words */
export async function connect(connection: Connection): Promise<Penetrometer> {
  try {
    switch (connection) {
      case 'simulated-cable':
        return lineDriver('simulated penetrometer', await wireOfPort(simulatedPort()));
      case 'simulated-bluetooth':
        return lineDriver('simulated penetrometer', await wireOfRadio(simulatedRadio()));
      case 'cable': {
        const [known] = await navigator.serial.getPorts();
        const port = known ?? (await navigator.serial.requestPort());
        return lineDriver('penetrometer by cable', await wireOfPort(port));
      }
      case 'bluetooth': {
        const radio = await navigator.bluetooth.requestDevice({ filters: [{ services: [SERVICE] }] });
        return lineDriver(radio.name ?? 'penetrometer by Bluetooth', await wireOfRadio(radio as Radio));
      }
    }
  } catch (error) {
    throw inWords(error);
  }
}
