// Makes a firm with its first owner: npm run firm -- "Firm name" owner@example.org "Owner's name"
// Lets somebody in again whom no owner can help: npm run firm -- --reset owner@example.org
import { randomBytes, randomUUID } from 'node:crypto';
import { migrate } from '../web/server/database/migrate';
import { asUser, closePool } from '../web/server/database/transaction';
import { operatorsReset } from '../web/server/accounts/reset';
import { takeOffSecondStep } from '../web/server/accounts/secondStep';
import { foundFirm } from '../web/server/accounts/session';

const USAGE = `usage: npm run firm -- "Firm name" owner@example.org "Owner's name"
       npm run firm -- --reset owner@example.org`;

async function reset(email: string): Promise<string> {
  const made = await operatorsReset(email);
  if (!made) throw new Error(`E-mail: “${email}” has no account here, or is shut out.`);
  await asUser(made.firmId, made.userId, (db) => takeOffSecondStep(db, made.userId));
  return `The second step of ${email} is off. A new password is chosen at /reset/${made.token}, once, within a day.`;
}

async function found(name: string, email: string, owner: string): Promise<string> {
  const password = randomBytes(9).toString('base64url');
  await foundFirm(
    { id: randomUUID(), name, units: 'metric', prefix: 'R' },
    { id: randomUUID(), email, name: owner, password },
  );
  return `${name} is set up. ${email} signs in with the password ${password} and changes it under Account.`;
}

const [first, email, owner] = process.argv.slice(2);
if (!first || !email?.includes('@') || (first !== '--reset' && !owner)) {
  console.error(USAGE);
  process.exit(2);
}
await migrate();
try {
  console.log(first === '--reset' ? await reset(email) : await found(first, email, owner!));
} catch (error) {
  console.error(error instanceof Error ? error.message : error);
  process.exitCode = 1;
} finally {
  await closePool();
}
