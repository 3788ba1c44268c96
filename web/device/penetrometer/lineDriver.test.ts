import fc from 'fast-check';
import { simulatedPort, simulatedPush, simulatedRadio } from '../../stand-ins/penetrometer';
import { pass } from '../../tests/pass';
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

const never = new AbortController().signal;

test('by cable and by Bluetooth the same push comes, push after push', async () => {
  const [cable, radio] = [
    lineDriver('cable', await wireOfPort(simulatedPort(0))),
    lineDriver('radio', await wireOfRadio(simulatedRadio(0))),
  ];
  for (const place of ['v1 90 0.8', 'v1 180 1.2', 'v2 0 0.5']) {
    const expected = [...simulatedPush(place)];
    expect(expected.length).toBeGreaterThan(5);
    expect(await all(cable.push(place, never))).toEqual(expected);
    expect(await all(radio.push(place, never))).toEqual(expected);
  }
  await cable.close();
  await radio.close();
});

test('a push that is broken off ends at once and leaves nothing to the next, however soon that comes', async () => {
  for (const device of [
    lineDriver('cable', await wireOfPort(simulatedPort(1))),
    lineDriver('radio', await wireOfRadio(simulatedRadio(1))),
  ])
    for (const after of [0, 1, 7]) {
      const far = `${'another name as long as it '.repeat(4)}180 1.2`;
      const stop = new AbortController();
      let heard = 0;
      const first = (async () => {
        for await (const _ of device.push(`${'a place of a long name '.repeat(4)}90 0.8`, stop.signal))
          if (++heard >= after) stop.abort();
      })();
      if (after === 0) stop.abort();
      const second = all(device.push(far, never));
      await first;
      expect(heard).toBeLessThanOrEqual(after);
      stop.abort();
      expect(await second).toEqual([...simulatedPush(far)]);
    }
});

test('an answer that comes before it is waited for is not lost to a push that was broken off while it waited', async () => {
  for (const device of [
    lineDriver('cable', await wireOfPort(simulatedPort(30))),
    lineDriver('radio', await wireOfRadio(simulatedRadio(30))),
  ]) {
    const stop = new AbortController();
    const first = all(device.push('v1 90 0.8', stop.signal));
    // Its beginning is read, and its first reading waited for.
    await new Promise((done) => setTimeout(done, 10));
    stop.abort();
    const began: PenetrometerEvent[] = [];
    for await (const event of device.push('v1 180 1.2', never)) {
      began.push(event);
      if (began.length === 3) break;
    }
    expect(began).toEqual([...simulatedPush('v1 180 1.2')].slice(0, 3));
    expect(await first).toEqual([]);
  }
});

test('lines broken anywhere are read whole', async () => {
  const expected = [...simulatedPush('K 45 1')];
  const text = [{ kind: 'reading' as const, reading: { push: 1 } }, ...expected]
    .map((e) => `${JSON.stringify(e.kind === 'end' ? { stopped: e.stopped ?? null } : e.reading)}\r\n`)
    .join('');
  await fc.assert(
    fc.asyncProperty(fc.array(fc.nat(), { maxLength: 40 }), async (cuts) => {
      const wire = wireOf(text, cuts);
      expect(await all(lineDriver('w', wire).push('K\n45 1', never))).toEqual(expected);
      expect(wire.written).toEqual(['push 1 K 45 1\n']);
    }),
  );
});

test('what cannot be read, a wire that ends and depths out of range are said; nothing is made of them', async () => {
  const of = (text: string) => all(lineDriver('w', wireOf(`{"push":1}\n${text}`)).push('x', never));
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
  const push = all(lineDriver('w', silent).push('x', never));
  const refused = expect(push).rejects.toThrow('does not answer');
  await pass(20_000);
  await refused;
  jest.useRealTimers();
});
