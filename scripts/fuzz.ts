// Sends spoilt files to every importer and tells of crashes, time and memory: npm run fuzz [-- FILES [SEED]]
import { writeFileSync } from 'node:fs';
import { fuzz } from './fuzz/run';

const [files = 10_000, seed = 1] = process.argv.slice(2).map(Number);
const begun = performance.now();
const result = await fuzz(files, seed, (done) => process.stderr.write(`${done} of ${files}\n`));
console.log(`${result.files} files, seed ${seed}, ${((performance.now() - begun) / 1000).toFixed(1)} s`);
console.log(`crashes ${result.crashes.length}, stopped as too long ${result.stopped.length}`);
for (const [i, { importer, error, text }] of result.crashes.slice(0, 20).entries()) {
  const file = `/tmp/undrel-fuzz-${i}.txt`;
  writeFileSync(file, text);
  console.log(`  ${importer}: ${error.slice(0, 200)} (${file})`);
}
console.log('slowest:');
for (const s of result.slowest)
  console.log(`  ${s.importer.padEnd(10)} ${s.ms.toFixed(0)} ms, ${s.bytes} bytes`);
console.log(`memory ${(process.memoryUsage().rss / 1e6).toFixed(0)} MB`);
process.exit(result.crashes.length + result.stopped.length === 0 ? 0 : 1);
