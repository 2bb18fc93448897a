import { transformAsync } from '@babel/core';
import type { Plugin } from 'vite';

/** React's compiler over the components of the application: screens render again only what changed. */
export function reactCompiler(): Plugin {
  return {
    name: 'react-compiler',
    enforce: 'pre',
    transform: {
      // Components are in .tsx files; hooks of our own that draw nothing gain little.
      filter: { id: /\/web\/src\/.*\.tsx$/ },
      async handler(code, id) {
        const compiled = await transformAsync(code, {
          filename: id,
          configFile: false,
          babelrc: false,
          sourceMaps: true,
          parserOpts: { plugins: ['typescript', 'jsx'] },
          plugins: ['babel-plugin-react-compiler'],
        });
        return compiled?.code ? { code: compiled.code, map: compiled.map ?? null } : null;
      },
    },
  };
}
