import { readFile } from 'node:fs/promises';
import type { NextRequest } from 'next/server';
import sharp from 'sharp';
import { plain } from '@/server/accounts/request';
import { projectFile } from '@/work/paper/projectFile';

const SIZES = ['192', '512'];

/** Each is made once, whoever asks. */
const made: Record<string, Promise<Buffer>> = {};
const iconOf = async (size: number): Promise<Buffer> =>
  sharp(await readFile(projectFile('web', 'app', 'icon.svg')), { density: 1200 })
    .resize(size)
    .png()
    .toBuffer();

/** The icon as PNG, as phones ask for it. */
export async function GET(
  _: NextRequest,
  { params }: { params: Promise<{ size: string }> },
): Promise<Response> {
  const { size } = await params;
  if (!SIZES.includes(size))
    return plain(404, `Size: “${size.slice(0, 20)}” is not one of ${SIZES.join(', ')}.`);
  const png = (made[size] ??= iconOf(Number(size)));
  return new Response(new Uint8Array(await png), {
    headers: { 'content-type': 'image/png', 'cache-control': 'public, max-age=86400' },
  });
}
