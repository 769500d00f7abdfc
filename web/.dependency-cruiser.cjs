/** The web's directions: no cycles; features are strangers entered by index.ts; shared knows no feature. */
module.exports = {
  forbidden: [
    { name: "no-cycles", severity: "error", from: {}, to: { circular: true } },
    {
      name: "features-are-strangers",
      severity: "error",
      from: { path: "^src/features/([^/]+)/" },
      to: { path: "^src/features/", pathNot: "^src/features/($1|session)/" },
    },
    {
      name: "features-have-one-door",
      severity: "error",
      from: { path: "^src/", pathNot: "^src/features/([^/]+)/" },
      to: { path: "^src/features/[^/]+/.+", pathNot: "^src/features/[^/]+/index\\.ts$" },
    },
    { name: "shared-knows-no-feature", severity: "error", from: { path: "^src/(shared|api)/" }, to: { path: "^src/(features|app)/" } },
  ],
  options: { doNotFollow: { path: "node_modules" }, tsConfig: { fileName: "tsconfig.json" }, tsPreCompilationDeps: true },
};
