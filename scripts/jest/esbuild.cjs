// Tests of the rooms without an interface only need their types taken off.
const { transformSync } = require('esbuild');

module.exports = {
  process(text, file) {
    const { code } = transformSync(text, {
      loader: 'ts',
      format: 'cjs',
      target: 'node20',
      sourcemap: 'inline',
      sourcefile: file,
    });
    return { code };
  },
};
