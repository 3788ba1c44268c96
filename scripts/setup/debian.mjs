// Installs the Debian packages it is given: node scripts/setup/debian.mjs NAME…
import { debianPackages } from './packages.mjs';
import { program } from './run.mjs';

await program(async () => debianPackages(process.argv.slice(2)));
