declare module 's3rver' {
  export default class S3rver {
    constructor(options: {
      port: number;
      silent: boolean;
      directory: string;
      configureBuckets: { name: string; configs: string[] }[];
    });
    run(): Promise<{ port: number }>;
    close(): Promise<void>;
  }
}
