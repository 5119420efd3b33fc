/** The arrows: core knows nobody, the interface schemas know the core, server and web know both and not each
 *  other. */
module.exports = {
  forbidden: [
    {
      name: 'core-knows-only-itself',
      severity: 'error',
      from: { path: '^src/core', pathNot: '\\.test\\.ts$' },
      // Pure computation on plain data, like the core itself.
      to: {
        pathNot:
          '^(src/core|node_modules/(ml-matrix|fast-xml-(parser|builder|validator)|@dagrejs/graphlib|tinyqueue|clipper2-ts|color-string|svgpath|opentype.js|pdf-lib|lru-cache)/)',
      },
    },
    {
      name: 'api-knows-core-and-yup',
      severity: 'error',
      from: { path: '^src/api', pathNot: '\\.test\\.ts$' },
      to: { pathNot: '^(src/api|src/core|node_modules/(yup|@sodaru/yup-to-json-schema))' },
    },
    {
      name: 'server-knows-no-web',
      severity: 'error',
      from: { path: '^src/server' },
      to: { path: '^(src/web|demo|tests)' },
    },
    {
      name: 'web-knows-no-server',
      severity: 'error',
      from: { path: '^src/web', pathNot: '\\.test\\.tsx?$' },
      to: { path: '^(src/server|demo|tests)' },
    },
    {
      name: 'web-needs-no-node',
      severity: 'error',
      from: { path: '^src/web', pathNot: '\\.test\\.tsx?$' },
      to: { dependencyTypes: ['core'] },
    },
    {
      name: 'colour-is-the-bottom',
      severity: 'error',
      from: { path: '^src/core/colour', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!colour)' },
    },
    {
      name: 'paint-knows-colour',
      severity: 'error',
      from: { path: '^src/core/paint', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!colour|paint)' },
    },
    {
      name: 'scheduling-knows-only-the-instance',
      severity: 'error',
      from: { path: '^src/core/scheduling', pathNot: '\\.test\\.ts$' },
      to: { path: '^src/core/(?!scheduling/|seededRandom|webAssembly)' },
    },
    {
      name: 'screens-stand-alone',
      severity: 'error',
      from: { path: '^src/web/(components|data|workers)' },
      to: { path: '^src/web/(screens|shell)' },
    },
    { name: 'no-circles', severity: 'error', from: {}, to: { circular: true } },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsConfig: { fileName: 'tsconfig.json' },
    tsPreCompilationDeps: true,
    enhancedResolveOptions: {
      extensions: ['.ts', '.tsx', '.js', '.mjs', '.css', '.json'],
      exportsFields: ['exports'],
      conditionNames: ['import', 'default'],
    },
  },
};
