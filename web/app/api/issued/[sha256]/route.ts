import type { NextRequest } from 'next/server';
import { answerTo, plain } from '@/server/accounts/request';
import { issuedHere } from '@/server/reports/reports';

/** Which report of this installation a file is, by its SHA-256; open to anybody who has the file. */
export async function GET(
  _request: NextRequest,
  { params }: { params: Promise<{ sha256: string }> },
): Promise<Response> {
  const { sha256 } = await params;
  if (!/^[0-9a-f]{64}$/.test(sha256))
    return plain(400, 'SHA-256 of the file is asked for, 64 hexadecimal letters.');
  try {
    const issued = await issuedHere(sha256);
    return issued ? Response.json(issued) : plain(404, 'No report issued here is this file.');
  } catch (error) {
    return answerTo(error);
  }
}
