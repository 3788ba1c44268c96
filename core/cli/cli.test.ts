import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync, utimesSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

const folder = mkdtempSync(join(tmpdir(), 'undrel-cli-'));
const example = 'docs/example-case.json';
const run = (args: string[], input?: string) =>
  spawnSync(process.execPath, ['core/bin/undrel.mjs', ...args], {
    input,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });

test('nothing has to be built first, not by two at once either; what is older than its sources is built again @whole', async () => {
  const built = 'core/dist/undrel.mjs';
  rmSync(built, { force: true });
  const ask = () =>
    new Promise<number | null>((done) =>
      spawn(process.execPath, ['core/bin/undrel.mjs', 'schema'], { stdio: 'ignore' }).on('close', done),
    );
  expect(await Promise.all([ask(), ask()])).toEqual([0, 0]);
  writeFileSync(built, 'process.exit(7);');
  utimesSync(built, 0, 0);
  expect(run(['schema']).status).toBe(0);
  expect(readdirSync('core/dist')).toEqual(['undrel.mjs']);
});

test('assess prints one JSON line with numbers, working and reasons @whole', () => {
  const { status, stdout } = run(['assess', example]);
  expect(status).toBe(0);
  const result = JSON.parse(stdout);
  expect(result.profile.collar.depth.value).toBeGreaterThan(0.1);
  expect(result.profile.collar.depth.working.formula).toContain('mean round the stem');
  expect(result.verdict.causes[0].probability).toBeGreaterThan(0.5);
  expect(result.explanation.causes[0].for.length).toBeGreaterThan(0);
  expect(result.explanation.checks.length).toBeGreaterThan(0);
  expect(result.operations.map((o: { key: string }) => o.key)).toContain('excavate');
  // Lengths are written out, in the units asked for.
  expect(stdout).not.toMatch(/\{[mMf]:/);
  expect(run(['assess', '--units', 'us', example]).stdout).toMatch(/\d in\b/);
});

test('a dig comes with its share, advice, cuts and forecast @whole', () => {
  const { dig, cuts } = JSON.parse(run(['assess', example]).stdout);
  expect(dig.girdled.value).toBeGreaterThan(0.05);
  expect(dig.roots.map((r: { label: string }) => r.label)).toEqual(['A', 'D1', 'D2', 'D3']);
  expect(dig.roots[0].advice.decision).toBe('cut now');
  expect(dig.roots[0].crosses).toEqual([expect.objectContaining({ root: 'D1', over: true })]);
  expect(dig.cuts.length).toBeGreaterThan(0);
  expect(dig.forecast.scenarios[0].p50).toHaveLength(31);
  expect(cuts.plan.proved).toBe(true);
  expect(cuts.roots.map((r: { label: string }) => r.label)).toEqual(['A', 'D1', 'D2', 'D3']);
  const told = run(['assess', '--format', 'text', example]).stdout;
  expect(told).toMatch(/Cut plan, proved the best: frees \d+%/);
  expect(told).toMatch(/Dig: \d+( ± \d+)?% of the bark is compressed; half in /);
});

test('a case that holds its site and holes of the soil probe tells of the ground and lays trenches out @whole', () => {
  const caseFile = JSON.parse(readFileSync(example, 'utf8'));
  caseFile.tree = { ...caseFile.tree, crownRadius: 3, position: { x: 10, y: 20 } };
  const wall = {
    name: 'Garden wall',
    kind: 'wall',
    shape: 'line',
    points: [
      [12.2, 10],
      [12.2, 30],
    ],
  };
  caseFile.site = { things: [wall], others: [] };
  const visit = caseFile.visits.at(-1);
  visit.trenches = { holeRadius: 0.6 };
  visit.soilLogs = [
    {
      place: 'ring',
      bearing: 0,
      distance: 0.4,
      layers: [
        { to: 0.1, colour: 'dark' },
        { to: 0.4, colour: 'grey' },
      ],
    },
    { place: 'open', bearing: 0, distance: 8, layers: [{ to: 0.3, colour: 'dark' }] },
  ];
  const file = join(folder, 'ground.json');
  writeFileSync(file, JSON.stringify(caseFile));
  const { ground } = JSON.parse(run(['assess', file]).stdout);
  expect(ground.logs.compared[0]).toMatch(/^Topsoil .*in open ground/);
  expect(ground.trenches.spokes.length).toBeGreaterThan(3);
  const east = ground.trenches.spokes.filter((s: { bearing: number }) => s.bearing > 60 && s.bearing < 120);
  for (const spoke of east) expect(spoke.limit).toBe('Garden wall');
  const text = run(['assess', '--format', 'text', file]).stdout;
  expect(text).toMatch(/Trenches: \d+ radial trenches/);
  expect(text).toMatch(/Topsoil 10 cm about the tree, 30 cm in open ground/);
});

test('standard input and text in US units @whole', () => {
  const { status, stdout } = run(
    ['assess', '--format', 'text', '--units', 'us'],
    readFileSync(example, 'utf8'),
  );
  expect(status).toBe(0);
  expect(stdout).toMatch(/Collar depth: \d+\.\d ± \d+\.\d in/);
});

test('bad input: exit 2, the path, the value and what is allowed; the good file is still assessed @whole', () => {
  const bad = join(folder, 'bad.json');
  writeFileSync(bad, readFileSync(example, 'utf8').replace(/"depth": 0\.24/, '"depth": 30'));
  const { status, stdout, stderr } = run(['assess', bad, example]);
  expect(status).toBe(2);
  expect(stderr).toMatch(/\$\.visits\[0\]\.profiles\[0\]\.mulch\[0\]\.depth: 30: .*1\.5/);
  expect(stdout.trim().split('\n')).toHaveLength(1);
});

test('bytes that are not UTF-8, a missing file and a bad flag are named @whole', () => {
  const latin = join(folder, 'latin.json');
  writeFileSync(latin, Buffer.from([0x7b, 0x22, 0xe9, 0x22, 0x7d]));
  expect(run(['assess', latin]).stderr).toContain('not UTF-8');
  expect(run(['assess', join(folder, 'none.json')]).status).toBe(2);
  expect(run(['assess', '--format', 'xml', example]).stderr).toContain('allowed are json, text');
});

test('an inventory streams, with progress on standard error @whole', () => {
  const text = readFileSync(example, 'utf8');
  const files = Array.from({ length: 60 }, (_, i) => {
    const file = join(folder, `${i}.json`);
    writeFileSync(file, text);
    return file;
  });
  const { status, stdout, stderr } = run(['assess', '--brief', ...files]);
  expect(status).toBe(0);
  expect(stdout.trim().split('\n')).toHaveLength(60);
  expect(stderr).toContain('40 of 60 files');
});

test('walk triages an inventory, most urgent first; bad cells and unknown species are named and the rest stands @whole', () => {
  const file = join(folder, 'trees.csv');
  writeFileSync(
    file,
    [
      'label,species,year planted,flare,mulch,girdling,conks,lean,colour,density,dieback,shade',
      'Fine,Quercus robur,2015,flared,clear,none,none,none,good,full,none,x',
      'Cone,Tilia cordata,2015,flared,high,none,none,none,good,full,none,',
      'Falls,Fraxinus ornus,1990,flared,clear,none,many,lifted,good,thin,some,',
      'Odd,Unheardia nova,1200,sunk,,,,,,,,',
      ',Tilia,,,,,,,,,,',
    ].join('\n'),
  );
  const { status, stdout, stderr } = run(['walk', file]);
  expect(status).toBe(0);
  const { trees } = JSON.parse(stdout) as { trees: { label: string; triage: { urgency: string } }[] };
  expect(trees.map((t) => [t.label, t.triage.urgency])).toEqual([
    ['Falls', 'now'],
    ['Cone', 'season'],
    ['Fine', 'fine'],
    ['Odd', 'unseen'],
  ]);
  expect(stderr).toMatch(/row 5, species: “Unheardia nova”/);
  expect(stderr).toMatch(/row 5, year planted: “1200”: allowed 1700 to/);
  expect(stderr).toMatch(/row 5, flare: “sunk”: allowed flared, part, straight/);
  expect(stderr).toMatch(/row 6: no label; left out/);
  expect(stderr).toMatch(/column shade: not known/);
  expect(run(['walk', '--format', 'text', file]).stdout).toMatch(/^NOW {4}Falls, Fraxinus ornus: /);
  const headless = join(folder, 'headless.csv');
  writeFileSync(headless, 'a,b\n1,2\n');
  const none = run(['walk', headless]);
  expect([none.status, none.stderr]).toEqual([
    2,
    expect.stringContaining('column label: missing; the file has a, b'),
  ]);
});

test('rates price the treatment and set the options side by side; bad ones are named @whole', () => {
  const rates = join(folder, 'rates.json');
  writeFileSync(rates, JSON.stringify({ currency: 'EUR', prices: { crew: '68.50', trip: '38' } }));
  const { worth } = JSON.parse(run(['assess', example, '--rates', rates]).stdout);
  const [first] = worth.estimate.lines;
  expect(first.sum).toBe((Math.round(Number(first.charged) * 6850) / 100).toFixed(2));
  expect(worth.options.map((o: { key: string }) => o.key)).toEqual([
    'treat',
    'reset',
    'replace',
    'remove',
    'nothing',
  ]);
  const text = run(['assess', example, '--format', 'text', '--rates', rates]).stdout;
  expect(text).toContain(worth.answer);
  expect(text).toMatch(/Total €[\d.]+, without .*: no price/);
  const taxed = { currency: 'EUR', prices: { crew: '68.50' }, tax: { name: 'VAT', percent: '19' } };
  writeFileSync(rates, JSON.stringify(taxed));
  const lines = run(['assess', example, '--format', 'text', '--rates', rates]).stdout;
  const sum = (name: string) => Number(new RegExp(`${name} €([\\d.]+)`).exec(lines.replace(/,/g, ''))![1]);
  expect(sum('VAT 19%:')).toBeCloseTo(0.19 * sum('Net'), 1);
  expect(sum('Total')).toBeCloseTo(sum('Net') + sum('VAT 19%:'), 2);
  writeFileSync(rates, JSON.stringify({ currency: 'EUX', prices: {} }));
  const bad = run(['assess', example, '--rates', rates]);
  expect([bad.status, bad.stderr]).toEqual([2, expect.stringContaining('$.currency: "EUX": not a currency')]);
});

test('water: the next date with its band, litres and ways side by side; wrong flags and weather are named @whole', () => {
  const rows = ['date,rain,low,high'];
  for (let at = Date.UTC(2018, 0, 1); at <= Date.UTC(2026, 6, 1); at += 86_400_000) {
    const date = new Date(at).toISOString().slice(0, 10);
    const warm = 8 * Math.sin(((Number(date.slice(5, 7)) - 4) / 12) * 2 * Math.PI);
    rows.push(`${date},${Number(date.slice(8)) % 9 === 0 ? 6 : 0},${4 + warm},${15 + warm}`);
  }
  const weather = join(folder, 'weather.csv');
  writeFileSync(weather, rows.join('\n'));
  const args = ['water', example, '--weather', weather, '--latitude', '51'];
  const { status, stdout } = run(args);
  expect(status).toBe(0);
  const plan = JSON.parse(stdout);
  expect(plan.on).toBe('2026-07-01');
  expect(plan.days.at(-1).date).toBe('2026-07-01');
  expect(plan.next.litres).toBeGreaterThan(0);
  expect(plan.manners).toHaveLength(4);
  expect(run([...args, '--format', 'text', '--units', 'us']).stdout).toMatch(/US gal\.\n.* easily drawn/);
  expect(run(['water', example]).stderr).toContain('water needs --weather');
  expect(run([...args.slice(0, 5), '91']).stderr).toContain('--latitude 91: allowed -90 to 90');
  expect(run([...args, '--on', 'today']).stderr).toContain('--on today: allowed YYYY-MM-DD');
  const wrong = join(folder, 'wrong.csv');
  writeFileSync(wrong, 'day,rain\n2026-01-01,3');
  const told = run(['water', example, '--weather', wrong, '--latitude', '51']);
  expect([told.status, told.stderr]).toEqual([2, expect.stringContaining('Column date, low, high: missing')]);
});

test('calendar: what is prescribed and what follows, as it stands on a day; bad days and files are named @whole', () => {
  const caseFile = JSON.parse(readFileSync(example, 'utf8'));
  const visit = caseFile.visits.at(-1);
  visit.work = [{ step: 'excavate', how: 'done', on: visit.date }];
  const file = join(folder, 'done.json');
  writeFileSync(file, JSON.stringify(caseFile));
  const later = `${Number(visit.date.slice(0, 4)) + 1}${visit.date.slice(4)}`;
  const { tasks } = JSON.parse(run(['calendar', '--on', later, file]).stdout);
  const bark = tasks.find((t: { key: string }) => t.key === 'excavate.bark');
  expect(bark).toMatchObject({
    state: 'late',
    who: 'consultant',
    because: `root collar excavated ${visit.date}`,
  });
  expect(tasks.some((t: { key: string }) => t.key === 'excavate')).toBe(false);
  expect(tasks.some((t: { kind: string }) => t.kind === 'work')).toBe(true);
  const { status, stdout } = run(['calendar', '--on', later, '--format', 'text', file]);
  expect(status).toBe(0);
  expect(stdout).toMatch(/\d+ late, \d+ due, \d+ to come\./);
  expect(stdout).toMatch(/late, consultant: Inspect the dried bark.*Rot under dried bark/);
  expect(run(['calendar', '--on', '2026-02-30', file]).status).toBe(2);
  expect(run(['calendar', '--on', '1990-01-01', file]).stderr).toMatch(/1990-01-01/);
  expect(run(['calendar', join(folder, 'none.json')]).status).toBe(2);
});

test('recovery: a treated tree against the untreated one beside it; without work, and with a treated yardstick, it says so @whole', () => {
  const caseFile = JSON.parse(readFileSync(example, 'utf8'));
  const shoots = (values: number[]) =>
    values.map((number, i) => ({ key: 'crown.extension', part: 2015 + i, number }));
  const visit = (findings: object[], work?: object[]) => ({
    date: '2023-10-01',
    findings,
    profiles: [],
    probes: [],
    decisions: [],
    ...(work && { work }),
  });
  const kept = (name: string, tree: object, visits: object[]) => {
    const file = join(folder, name);
    writeFileSync(
      file,
      JSON.stringify({ ...caseFile, tree: { ...caseFile.tree, ...tree }, events: [], visits }),
    );
    return file;
  };
  const work = [{ step: 'excavate', how: 'done', on: '2020-10-01' }];
  const rising = [0.1, 0.11, 0.1, 0.11, 0.1, 0.1, 0.2, 0.22, 0.24];
  const treated = kept('treated.json', {}, [visit(shoots(rising), work)]);
  const steady = shoots([0.3, 0.31, 0.3, 0.32, 0.3, 0.31, 0.3, 0.31, 0.3]);
  const beside = kept('beside.json', { label: 'R 1' }, [visit(steady)]);
  const told = JSON.parse(run(['recovery', treated, '--beside', beside, '--on', '2023-11-01']).stdout);
  expect(told).toMatchObject({ answer: 'answered', beside: 'R 1' });
  expect(told.readings[0].against).toBe(true);
  expect(run(['recovery', treated, '--on', '2023-11-01', '--format', 'text']).stdout).toMatch(
    /times as long.*with no tree beside it[\s\S]*Next:/,
  );
  const both = kept('both.json', { label: 'R 2' }, [visit(steady, work)]);
  expect(
    run(['recovery', treated, '--beside', both, '--on', '2023-11-01', '--format', 'text']).stdout,
  ).toContain('R 2 was itself treated on 2020-10-01');
  const { status, stderr } = run(['recovery', beside, '--on', '2023-11-01']);
  expect(status).toBe(2);
  expect(stderr).toContain('no work until 2023-11-01');
});
