// Makes a firm with its first owner: npm run firm -- "Firm name" owner@example.org "Owner's name"
import { randomBytes, randomUUID } from 'node:crypto';
import { migrate } from '../web/server/database/migrate';
import { pool } from '../web/server/database/transaction';
import { foundFirm } from '../web/server/accounts/session';

const [name, email, owner] = process.argv.slice(2);
if (!name || !email?.includes('@') || !owner) {
  console.error('usage: npm run firm -- "Firm name" owner@example.org "Owner\'s name"');
  process.exit(2);
}
await migrate();
const password = randomBytes(9).toString('base64url');
await foundFirm(
  { id: randomUUID(), name, units: 'metric', prefix: 'R' },
  { id: randomUUID(), email, name: owner, password },
);
console.log(
  `${name} is set up. ${email} signs in with the password ${password} and changes it under Account.`,
);
await (await pool()).end();
