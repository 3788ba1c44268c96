import { pool } from './transaction';

/** Opens the database, or ends the process with a plain word on why it cannot. */
export async function ready(): Promise<void> {
  try {
    await pool();
    // The owner's credentials are needed for the schema alone; what serves does not keep them.
    delete process.env.DATABASE_URL;
  } catch (error) {
    console.error(`Undrel cannot start: ${error instanceof Error ? error.message : String(error)}`);
    process.exit(1);
  }
}
