import fc from 'fast-check';
import { simulatedPort, simulatedPush, simulatedRadio } from '../../stand-ins/penetrometer';
import { lineDriver } from './lineDriver';
import type { PenetrometerEvent } from './penetrometer';
import { wireOfPort, wireOfRadio, type Wire } from './wire';

async function all(events: AsyncIterable<PenetrometerEvent>): Promise<PenetrometerEvent[]> {
  const heard: PenetrometerEvent[] = [];
  for await (const event of events) heard.push(event);
  return heard;
}

/** A wire that brings a text in pieces as they are cut, and keeps what is written. */
function wireOf(text: string, cuts: readonly number[] = []): Wire & { written: string[] } {
  const bytes = new TextEncoder().encode(text);
  const at = [...new Set(cuts.map((c) => c % (bytes.length + 1)))].sort((a, b) => a - b);
  const written: string[] = [];
  return {
    written,
    readable: new ReadableStream({
      start(controller) {
        [...at, bytes.length].reduce((from, to) => {
          if (to > from) controller.enqueue(bytes.slice(from, to));
          return to;
        }, 0);
        controller.close();
      },
    }),
    write: async (line) => void written.push(line),
    close: async () => undefined,
  };
}

/** Lets time pass, and what waits for it go on. */
async function pass(ms: number): Promise<void> {
  const settle = async () => {
    for (let i = 0; i < 20; i++) await Promise.resolve();
  };
  await settle();
  jest.advanceTimersByTime(ms);
  await settle();
}

test('by cable and by Bluetooth the same push comes, push after push', async () => {
  const [cable, radio] = [
    lineDriver('cable', await wireOfPort(simulatedPort(0))),
    lineDriver('radio', await wireOfRadio(simulatedRadio(0))),
  ];
  for (const place of ['v1 90 0.8', 'v1 180 1.2', 'v2 0 0.5']) {
    const expected = [...simulatedPush(place)];
    expect(expected.length).toBeGreaterThan(5);
    expect(await all(cable.push(place))).toEqual(expected);
    expect(await all(radio.push(place))).toEqual(expected);
  }
  await cable.close();
  await radio.close();
});

test('a push that is broken off leaves nothing to the next', async () => {
  const device = lineDriver('cable', await wireOfPort(simulatedPort(1)));
  for await (const event of device.push('v1 90 0.8'))
    if (event.kind === 'reading' && event.reading.depth > 0.05) break;
  expect(await all(device.push('v1 180 1.2'))).toEqual([...simulatedPush('v1 180 1.2')]);
});

test('lines broken anywhere are read whole', async () => {
  const expected = [...simulatedPush('K 45 1')];
  const text = expected
    .map((e) => `${JSON.stringify(e.kind === 'end' ? { stopped: e.stopped ?? null } : e.reading)}\r\n`)
    .join('');
  await fc.assert(
    fc.asyncProperty(fc.array(fc.nat(), { maxLength: 40 }), async (cuts) => {
      const wire = wireOf(text, cuts);
      expect(await all(lineDriver('w', wire).push('K\n45 1'))).toEqual(expected);
      expect(wire.written).toEqual(['push K 45 1\n']);
    }),
  );
});

test('what cannot be read, a wire that ends and depths out of range are said; nothing is made of them', async () => {
  const of = (text: string) => all(lineDriver('w', wireOf(text)).push('x'));
  await expect(of('{"depth":0.01,"pressure":1e6}\n§§\n{"stopped":null}\n')).rejects.toThrow('cannot be read');
  await expect(of('{"depth":9,"pressure":1e6}\n{"stopped":null}\n')).rejects.toThrow('cannot be read');
  await expect(of('{"depth":0.01,"pressure":1e6}\n')).rejects.toThrow('was disconnected');
  await expect(of('x'.repeat(2000))).rejects.toThrow('cannot be read');
  // A reading told twice, or one that jumps back, is passed over.
  const twice = await of(
    '{"depth":0.02,"pressure":1e6}\n{"depth":0.02,"pressure":1e6}\n{"depth":0.01,"pressure":2e6}\n{"stopped":0.03}\n',
  );
  expect(twice).toEqual([
    { kind: 'reading', reading: { depth: 0.02, pressure: 1e6 } },
    { kind: 'end', stopped: 0.03 },
  ]);
});

test('a device that falls silent is given up', async () => {
  jest.useFakeTimers();
  const silent: Wire = {
    readable: new ReadableStream(),
    write: async () => undefined,
    close: async () => undefined,
  };
  const push = all(lineDriver('w', silent).push('x'));
  const refused = expect(push).rejects.toThrow('does not answer');
  await pass(20_000);
  // What may still come of the push is waited for, a second.
  await pass(2_000);
  await refused;
  jest.useRealTimers();
});
