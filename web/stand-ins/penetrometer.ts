import type { PenetrometerEvent } from '../device/penetrometer/penetrometer';
import { HEARS, SERVICE, TELLS, type Port, type Radio } from '../device/penetrometer/wire';

const STEP = 0.01;
const DEEPEST = 0.6;
/** The simulated cone's pace, ms for each centimetre: 3 cm a second, as the standard asks. */
const PACE_MS = 33;
/** What its frame can bear, Pa. */
const MOST = 5e6;
/** What one message of the simulated radio holds, bytes. */
const MESSAGE = 20;

/** Park and Miller's generator (1988, from memory), begun from a text. */
function chances(text: string): () => number {
  let state = 7;
  for (const c of text) state = (Math.imul(state, 31) + c.charCodeAt(0)) & 0x7fffffff;
  state = (state % 2147483646) + 1;
  return () => (state = (state * 16807) % 2147483647) / 2147483647;
}

/**
 * A push of a penetrometer that is not there: topsoil, a pan at about 25 cm, softer below, with noise; a stone now and then,
 * and a refusal where the stone is large. The same place gives the same push.
 */
export function* simulatedPush(place: string): Generator<PenetrometerEvent> {
  const next = chances(place);
  next();
  const pan = 0.22 + 0.06 * next();
  const thick = 0.08 + 0.05 * next();
  const stone = next() < 0.3 ? 0.1 + 0.35 * next() : undefined;
  const large = next() < 0.3;
  for (let k = 1; k * STEP <= DEEPEST + 1e-9; k++) {
    const depth = Number((k * STEP).toFixed(2));
    const inPan = Math.max(0, 1 - ((depth - pan - thick / 2) / (thick / 1.2)) ** 2);
    const here = 0.5e6 + 1.1e6 * Math.min(1, depth / 0.3) + 1.9e6 * inPan;
    const met = stone !== undefined && Math.abs(depth - stone) < 0.015;
    const pressure = here * (0.9 + 0.2 * next()) + (met ? 2.2e6 : 0);
    if ((met && large) || pressure > MOST) {
      yield { kind: 'end', stopped: depth };
      return;
    }
    yield { kind: 'reading', reading: { depth, pressure: Math.round(pressure / 1e4) * 1e4 } };
  }
  yield { kind: 'end', stopped: undefined };
}

/** The device itself: takes lines, answers in lines at the cone's pace. */
function device(tell: (line: string) => void, paceMs: number) {
  /** The push under way, by its number. */
  let under: number | undefined;
  let rest = '';
  const push = async (number: number, place: string) => {
    under = number;
    tell(JSON.stringify({ push: number }));
    for (const event of simulatedPush(place)) {
      await new Promise((done) => setTimeout(done, paceMs));
      if (under !== number) return;
      tell(JSON.stringify(event.kind === 'end' ? { stopped: event.stopped ?? null } : event.reading));
    }
  };
  return {
    hear(text: string) {
      rest += text;
      for (let end = rest.indexOf('\n'); end >= 0; end = rest.indexOf('\n')) {
        const [what, number, ...place] = rest.slice(0, end).split(' ');
        rest = rest.slice(end + 1);
        if (what === 'push') void push(Number(number), place.join(' '));
        else if (what === 'stop' && under === Number(number)) under = undefined;
      }
    },
    end: () => void (under = undefined),
  };
}

/** Stands in for a penetrometer on a serial port. */
export function simulatedPort(paceMs = PACE_MS): Port {
  const port = {
    readable: null as ReadableStream<Uint8Array> | null,
    writable: null as WritableStream<Uint8Array> | null,
    async open() {
      let into: ReadableStreamDefaultController<Uint8Array> | undefined;
      const own = device((line) => into?.enqueue(new TextEncoder().encode(`${line}\r\n`)), paceMs);
      port.readable = new ReadableStream({
        start: (controller) => void (into = controller),
        cancel: () => {
          into = undefined;
          own.end();
        },
      });
      port.writable = new WritableStream({ write: (bytes) => own.hear(new TextDecoder().decode(bytes)) });
    },
    async close() {
      port.readable = null;
      port.writable = null;
    },
  };
  return port as Port;
}

/** Stands in for a penetrometer over Bluetooth: its lines come in pieces of a few bytes. */
export function simulatedRadio(paceMs = PACE_MS): Radio {
  const tells = Object.assign(new EventTarget(), {
    value: undefined as DataView | undefined,
    startNotifications: async () => undefined,
    writeValueWithResponse: async () => undefined,
  });
  const own = device((line) => {
    const bytes = new TextEncoder().encode(`${line}\n`);
    for (let i = 0; i < bytes.length; i += MESSAGE) {
      tells.value = new DataView(bytes.slice(i, i + MESSAGE).buffer);
      tells.dispatchEvent(new Event('characteristicvaluechanged'));
    }
  }, paceMs);
  const hears = Object.assign(new EventTarget(), {
    startNotifications: async () => undefined,
    writeValueWithResponse: async (bytes: BufferSource) => own.hear(new TextDecoder().decode(bytes)),
  });
  return {
    name: 'Simulated penetrometer',
    gatt: {
      connect: async () => ({
        getPrimaryService: async (uuid) => {
          if (uuid !== SERVICE) throw new Error('The device has no such service.');
          return {
            getCharacteristic: async (which) => (which === TELLS ? tells : which === HEARS ? hears : tells),
          };
        },
      }),
      disconnect: () => own.end(),
    },
  };
}
