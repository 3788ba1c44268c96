import { simulatedPort, simulatedPush, simulatedRadio } from '../stand-ins/penetrometer';
import { connect, connectionsHere } from './connectPenetrometer';
import { SERVICE } from './penetrometer/wire';

/** A browser that reaches devices so. */
function browserWith(parts: Record<string, unknown>) {
  Object.defineProperty(globalThis, 'navigator', { value: parts, configurable: true });
}
const named = (name: string) => Object.assign(new Error('as the browser says it'), { name });

async function pushed(connection: Parameters<typeof connect>[0]) {
  const device = await connect(connection);
  const heard = [];
  for await (const event of device.push('v 90 1', new AbortController().signal)) heard.push(event);
  await device.close();
  return heard;
}

test('what the browser cannot do is not offered', () => {
  browserWith({});
  expect(connectionsHere()).toEqual(['simulated-cable', 'simulated-bluetooth']);
  browserWith({ serial: {}, bluetooth: {} });
  expect(connectionsHere()).toEqual(['simulated-cable', 'simulated-bluetooth', 'cable', 'bluetooth']);
});

test('a device that is known is opened, another is asked for, and both are pushed with', async () => {
  const asked: string[] = [];
  const requestPort = async () => {
    asked.push('port');
    return simulatedPort(0);
  };
  browserWith({ serial: { getPorts: async () => [simulatedPort(0)], requestPort } });
  expect(await pushed('cable')).toEqual([...simulatedPush('v 90 1')]);
  expect(asked).toEqual([]);
  browserWith({ serial: { getPorts: async () => [], requestPort } });
  await pushed('cable');
  expect(asked).toEqual(['port']);
  browserWith({
    bluetooth: {
      requestDevice: async (given: unknown) => {
        asked.push(JSON.stringify(given));
        return simulatedRadio(0);
      },
    },
  });
  expect(await pushed('bluetooth')).toEqual([...simulatedPush('v 90 1')]);
  expect(asked[1]).toContain(SERVICE);
});

test.each([
  ['NotFoundError', 'No device was chosen.'],
  ['SecurityError', 'does not let this page reach devices'],
  ['NetworkError', 'is nothing else using it?'],
])('%s of the browser is said in words', async (name, words) => {
  browserWith({
    serial: {
      getPorts: async () => [],
      requestPort: async () => {
        throw named(name);
      },
    },
    bluetooth: {
      requestDevice: async () => {
        throw named(name);
      },
    },
  });
  await expect(connect('cable')).rejects.toThrow(words);
  await expect(connect('bluetooth')).rejects.toThrow(words);
});
