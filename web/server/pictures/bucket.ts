import { AwsClient } from 'aws4fetch';

/** The store of pictures does not answer, or not as it should. */
export class StoreAway extends Error {
  constructor(readonly why: string) {
    super('The store of pictures does not answer. Nothing was lost; try again in a while.');
  }
}

/** How long one file may take either way. */
const SECONDS = 30;

/** Files kept by name in a bucket that speaks the S3 protocol. A name that is there already may be written again. */
export interface Bucket {
  /** @throws StoreAway */
  put(name: string, bytes: Uint8Array, type: string): Promise<void>;
  /** @returns undefined where there is none of that name. @throws StoreAway */
  get(name: string): Promise<Buffer | undefined>;
}

/** A bucket by its address, with the bucket in the path (`https://store.example/bucket`). */
export function bucketAt(address: string, client: AwsClient): Bucket {
  const base = address.replace(/\/+$/, '');
  const ask = async (name: string, init: RequestInit): Promise<Response> => {
    const answer = await client
      .fetch(`${base}/${name}`, { ...init, signal: AbortSignal.timeout(SECONDS * 1000) })
      .catch((error: unknown) => {
        throw new StoreAway(String(error));
      });
    if (!answer.ok && !(init.method === 'GET' && answer.status === 404))
      throw new StoreAway(`${init.method} ${name}: ${answer.status} ${(await answer.text()).slice(0, 300)}`);
    return answer;
  };
  return {
    put: async (name, bytes, type) => {
      const body = new Uint8Array(bytes);
      const answer = await ask(name, { method: 'PUT', body, headers: { 'content-type': type } });
      await answer.arrayBuffer();
    },
    get: async (name) => {
      const answer = await ask(name, { method: 'GET' });
      const bytes = Buffer.from(
        await answer.arrayBuffer().catch((error: unknown) => {
          throw new StoreAway(String(error));
        }),
      );
      return answer.status === 404 ? undefined : bytes;
    },
  };
}

/** What the environment says of a bucket. */
type Environment = Readonly<Record<string, string | undefined>>;

/**
 * The bucket that the environment names; none: pictures are kept in the database.
 *
 * @throws Error that names the variable, where one is missing or wrong
 */
export function bucketOf(env: Environment): Bucket | undefined {
  const { PICTURE_BUCKET: address, PICTURE_BUCKET_KEY: key, PICTURE_BUCKET_SECRET: secret } = env;
  if (!address) return undefined;
  if (!/^https?:\/\/[^/]+\/[^/]/.test(address))
    throw new Error(
      `PICTURE_BUCKET is ${address}: the address of a bucket is asked for, as https://store.example/bucket.`,
    );
  for (const [name, value] of Object.entries({ PICTURE_BUCKET_KEY: key, PICTURE_BUCKET_SECRET: secret }))
    if (!value) throw new Error(`Set ${name}: PICTURE_BUCKET names a bucket that asks for it.`);
  return bucketAt(
    address,
    new AwsClient({
      accessKeyId: key!,
      secretAccessKey: secret!,
      service: 's3',
      region: env.PICTURE_BUCKET_REGION || 'us-east-1',
      retries: 2,
    }),
  );
}
