import { readFile } from 'node:fs/promises';
import type { NextRequest } from 'next/server';
import sharp from 'sharp';
import { plain } from '@/server/accounts/request';
import { projectFile } from '@/server/projectFile';

const SIZES = ['192', '512'];

/** The icon as PNG, as phones ask for it. */
export async function GET(
  _: NextRequest,
  { params }: { params: Promise<{ size: string }> },
): Promise<Response> {
  const { size } = await params;
  if (!SIZES.includes(size))
    return plain(404, `Size: “${size.slice(0, 20)}” is not one of ${SIZES.join(', ')}.`);
  const drawn = await readFile(projectFile('web', 'app', 'icon.svg'));
  const png = await sharp(drawn, { density: 1200 }).resize(Number(size)).png().toBuffer();
  return new Response(new Uint8Array(png), {
    headers: { 'content-type': 'image/png', 'cache-control': 'public, max-age=86400' },
  });
}
