/** What may import what: a view its own files and what is below (ui, marks, api, theme); no circles. */
export default {
  forbidden: [
    { name: 'no-circle', severity: 'error', from: {}, to: { circular: true } },
    {
      name: 'what-is-shared-knows-no-view',
      severity: 'error',
      from: { path: '^src/(ui|marks|api|theme)/' },
      to: { path: '^src/(views|shell)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
  },
};
