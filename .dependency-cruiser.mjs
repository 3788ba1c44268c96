/** Imports run one way: no circles of files anywhere, none of folders; types count, since they are read together. */
export default {
  forbidden: [
    { name: 'no-circle-of-files', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'no-circle-of-folders',
      severity: 'error',
      scope: 'folder',
      // The folders of the server still hold work for threads beside what asks for it.
      from: { pathNot: '^web/(server|thread)' },
      to: { circular: true },
    },
  ],
  options: {
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    exclude: { path: '(\\.test\\.tsx?$|node_modules|\\.next|/dist/)' },
  },
};
