module.exports = {
  schemaFile: '../openapi.json',
  apiFile: './src/api/emptyApi.ts',
  apiImport: 'emptyApi',
  outputFile: './src/api/api.gen.ts',
  exportName: 'api',
  hooks: true,
  tag: true,
};
