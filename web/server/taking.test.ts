import * as z from 'zod';
import { Busy } from './fairQueue';
import { ID, taking, takingForm, takingFormOf, VERSION } from './taking';

interface State {
  name: string;
  problem?: string;
}

test('an action is asked with what it takes, and with nothing else', async () => {
  const asked: unknown[] = [];
  const act = taking([ID, z.object({ days: z.array(z.object({ part: VERSION })) })], async (id, given) => {
    asked.push([id, given]);
    return { done: true };
  });
  expect(await act('a', { days: [{ part: 2 }] })).toEqual({ done: true });
  const sent = act as (...given: unknown[]) => Promise<unknown>;
  expect(await sent('a', { days: [{ part: 2, more: 1 }], other: 1 })).toEqual({ done: true });
  expect(asked).toEqual([
    ['a', { days: [{ part: 2 }] }],
    ['a', { days: [{ part: 2 }] }],
  ]);
  expect(await sent('a', { days: [{ part: 2 }, { part: 'b' }] })).toEqual({
    problem: expect.stringMatching(/^days\.1\.part: .*number.*Nothing was saved\.$/),
  });
  for (const given of [
    [],
    [undefined, {}],
    ['a'],
    ['x'.repeat(201), { days: [] }],
    [7, { days: [] }],
    ['a', null],
  ])
    expect(await sent(...given)).toEqual({
      problem: expect.stringMatching(/did not come whole|^days: .*Nothing was saved\.$/),
    });
  expect(asked).toHaveLength(2);
});

test('a form goes on from what was shown; what is no form keeps it and says so', async () => {
  const act = takingForm(async (state: State, form) => ({ ...state, name: String(form.get('name')) }));
  const form = new FormData();
  form.set('name', 'new');
  expect(await act({ name: 'old' }, form)).toEqual({ name: 'new' });
  const sent = act as (...given: unknown[]) => Promise<unknown>;
  expect(await sent({ name: 'old' }, { get: 'name' })).toEqual({
    name: 'old',
    problem: expect.stringContaining('did not come whole'),
  });
  for (const given of [[], [form], [null, form], ['x', form]])
    expect(await sent(...given)).toEqual({ problem: expect.stringContaining('did not come whole') });
});

test('a form about one thing is refused where it is not said which', async () => {
  const act = takingFormOf(async (of, state: State) => ({ ...state, name: of }));
  expect(await act('this', { name: '' }, new FormData())).toEqual({ name: 'this' });
  const sent = act as (...given: unknown[]) => Promise<unknown>;
  for (const about of [7, null, undefined, {}])
    expect(await sent(about, { name: 'kept' }, new FormData())).toEqual({
      name: 'kept',
      problem: expect.stringContaining('did not come whole'),
    });
});

test('where it is known why there is nothing, an action says so; any other failure is a failure', async () => {
  const busy = (): never => {
    throw new Busy(3);
  };
  const broken = (): never => {
    throw new Error('broken');
  };
  expect(await taking([ID], async () => busy())('a')).toEqual({ problem: new Busy(3).message });
  await expect(taking([ID], async () => broken())('a')).rejects.toThrow('broken');
  const shown = { name: 'kept' };
  expect(await takingForm(async (_: State) => busy())(shown, new FormData())).toEqual({
    name: 'kept',
    problem: new Busy(3).message,
  });
  expect(await takingFormOf(async (_, _state: State) => busy())('a', shown, new FormData())).toEqual({
    name: 'kept',
    problem: new Busy(3).message,
  });
  await expect(takingForm(async (_: State) => broken())(shown, new FormData())).rejects.toThrow('broken');
});
