import { transformAsync } from '@babel/core';
import type { Plugin } from 'vite';

/** What the linter's rules of the compiler look for too: it need not compile everything once more. */
const environment = {
  validateRefAccessDuringRender: true,
  validateNoSetStateInRender: true,
  validateNoSetStateInEffects: true,
  validateNoJSXInTryStatements: true,
  validateNoImpureFunctionsInRender: true,
  validateStaticComponents: true,
  validateNoFreezingKnownMutableFunctions: true,
  validateNoVoidUseMemo: true,
};

/** Whatever the compiler finds, and what it cannot compile, ends the build. */
const logger = {
  logEvent(file: string | null, event: { kind: string; detail?: unknown }) {
    if (event.kind === 'CompileError') throw new Error(`${file ?? 'A component'}: ${String(event.detail)}`);
  },
};

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
          plugins: [['babel-plugin-react-compiler', { panicThreshold: 'all_errors', environment, logger }]],
        });
        return compiled?.code ? { code: compiled.code, map: compiled.map ?? null } : null;
      },
    },
  };
}
