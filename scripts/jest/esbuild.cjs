// Tests of the rooms without an interface only need their types taken off.
const { transformSync } = require('esbuild');
const { pathToFileURL } = require('node:url');

module.exports = {
  process(text, file) {
    const { code } = transformSync(text, {
      loader: 'ts',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'inline',
      sourcefile: file,
      // What a module of ES knows of its own place.
      define: { 'import.meta.url': JSON.stringify(pathToFileURL(file).href) },
    });
    return { code };
  },
};
