import { transformAsync } from '@babel/core';
import type { Plugin } from 'vite';

/** React's compiler over the components of the application: screens render again only what changed. */
export function reactCompiler(): Plugin {
  return {
    name: 'react-compiler',
    enforce: 'pre',
    transform: {
      // Components, and the hooks that stand in files of their own.
      filter: { id: /\/web\/src\/.*(\.tsx|\/use\w+\.ts)$/ },
      async handler(code, id) {
        const compiled = await transformAsync(code, {
          filename: id,
          configFile: false,
          babelrc: false,
          sourceMaps: true,
          parserOpts: { plugins: id.endsWith('x') ? ['typescript', 'jsx'] : ['typescript'] },
          plugins: ['babel-plugin-react-compiler'],
        });
        return compiled?.code ? { code: compiled.code, map: compiled.map ?? null } : null;
      },
    },
  };
}
