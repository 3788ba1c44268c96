/** Bytes to and from a device, whatever carries them. */
export interface Wire {
  readable: ReadableStream<Uint8Array>;
  write(text: string): Promise<void>;
  close(): Promise<void>;
}

/** What is used of a serial port (Web Serial API, WICG). */
export type Port = Pick<SerialPort, 'open' | 'close' | 'readable' | 'writable'>;
/** What is used of a Bluetooth device (Web Bluetooth, W3C community group). */
export interface Radio {
  name?: string;
  gatt?: {
    connect(): Promise<{
      getPrimaryService(uuid: string): Promise<{ getCharacteristic(uuid: string): Promise<Characteristic> }>;
    }>;
    disconnect(): void;
  };
}
interface Characteristic extends EventTarget {
  readonly value?: DataView;
  startNotifications(): Promise<unknown>;
  writeValueWithResponse(bytes: BufferSource): Promise<void>;
}

/** The service of the penetrometer, what it tells by and what it is told by. */
export const SERVICE = '7f1d0001-5c3e-4b9a-9d52-6a1c0e2b7d40';
export const TELLS = '7f1d0002-5c3e-4b9a-9d52-6a1c0e2b7d40';
export const HEARS = '7f1d0003-5c3e-4b9a-9d52-6a1c0e2b7d40';
const BAUD = 115_200;
/** What one write over Bluetooth holds for certain, bytes. */
const WRITE = 20;

/** @throws Error in words */
export async function wireOfPort(port: Port): Promise<Wire> {
  await port.open({ baudRate: BAUD });
  const { readable, writable } = port;
  if (!readable || !writable) throw new Error('The port gives no way in and out: plug the device in again.');
  const writer = writable.getWriter();
  return {
    readable: readable as ReadableStream<Uint8Array>,
    write: (text) => writer.write(new TextEncoder().encode(text)),
    async close() {
      writer.releaseLock();
      await port.close();
    },
  };
}

/** @throws Error in words */
export async function wireOfRadio(radio: Radio): Promise<Wire> {
  if (!radio.gatt) throw new Error('This Bluetooth device takes no connection.');
  const { gatt } = radio;
  const service = await (await gatt.connect()).getPrimaryService(SERVICE);
  const [tells, hears] = [await service.getCharacteristic(TELLS), await service.getCharacteristic(HEARS)];
  let heard = (_event: Event) => {};
  const readable = new ReadableStream<Uint8Array>({
    start(controller) {
      heard = (event) => {
        const { value } = event.target as Characteristic;
        if (value)
          controller.enqueue(new Uint8Array(value.buffer, value.byteOffset, value.byteLength).slice());
      };
      tells.addEventListener('characteristicvaluechanged', heard);
    },
    cancel: () => tells.removeEventListener('characteristicvaluechanged', heard),
  });
  await tells.startNotifications();
  let before: Promise<unknown> = Promise.resolve();
  return {
    readable,
    write: (text) => {
      const all = async () => {
        const bytes = new TextEncoder().encode(text);
        for (let i = 0; i < bytes.length; i += WRITE)
          await hears.writeValueWithResponse(bytes.slice(i, i + WRITE));
      };
      // One text after another: the pieces of two would mix.
      const written = before.then(all);
      before = written.catch(() => undefined);
      return written;
    },
    async close() {
      tells.removeEventListener('characteristicvaluechanged', heard);
      gatt.disconnect();
    },
  };
}
