import { chmodSync, mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { checkMachine, debianPackages, thisMachine } from './packages.mjs';

const never = { x: () => false };
const folder = mkdtempSync(join(tmpdir(), 'undrel-machine-'));

/** A program that says `text` on its error stream and fails. */
function failing(name: string, text: string): string {
  const file = join(folder, name);
  writeFileSync(file, `#!/bin/sh\necho "${text}" >&2\nexit 100\n`);
  chmodSync(file, 0o755);
  return file;
}

test('an old Node and a full disk are named with what is needed', () => {
  expect(() => checkMachine({ ...thisMachine(), node: '18.19.0' })).toThrow(
    'Node 20 or newer is needed; this is 18.19.0.',
  );
  expect(() => checkMachine({ ...thisMachine(), freeGigabytes: 0.7 })).toThrow(
    /Only 0.7 GB free under .*; about 2.5 GB are needed/,
  );
  checkMachine({ ...thisMachine(), freeGigabytes: 2.6 });
});

test('no apt, no sudo and a package that does not come are told apart', () => {
  const machine = thisMachine();
  expect(() => debianPackages(['x'], { ...machine, aptGet: '/nowhere/apt-get' }, never)).toThrow(
    'apt-get is not on this machine',
  );
  expect(() =>
    debianPackages(['x'], { ...machine, aptGet: '/bin/true', isRoot: false, sudo: '/nowhere/sudo' }, never),
  ).toThrow('there is neither root nor sudo');
  const aptGet = failing('apt-get', 'E: Unable to locate package x');
  expect(() => debianPackages(['x'], { ...machine, isRoot: true, aptGet }, never)).toThrow(
    /Could not install x:[^]*Unable to locate package x/,
  );
  debianPackages(['x'], { ...machine, aptGet: '/nowhere/apt-get' }, { x: () => true });
});
