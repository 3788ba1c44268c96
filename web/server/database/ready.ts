import { pool } from './transaction';

/** Opens the database, or ends the process with a plain word on why it cannot. */
export async function ready(): Promise<void> {
  try {
    await pool();
  } catch (error) {
    console.error(`Undrel cannot start: ${error instanceof Error ? error.message : String(error)}`);
    process.exit(1);
  }
}
