// Brings the database of DATABASE_URL to the newest schema: npm run db:migrate
import { migrate } from '../web/server/database/migrate';

await migrate();
console.log('The schema is up to date.');
