import js from '@eslint/js';
import jsdoc from 'eslint-plugin-jsdoc';
import svelte from 'eslint-plugin-svelte';
import globals from 'globals';
import ts from 'typescript-eslint';
import svelteConfig from './svelte.config.js';

/** Everything that is there because of a browser or of Node.js, but for what merely computes. */
const COMPUTING = new Set(['TextEncoder', 'TextDecoder', 'URL', 'structuredClone']);
const PLATFORM = [...new Set([...Object.keys(globals.browser), ...Object.keys(globals.node)])].filter(
  (name) => !Object.hasOwn(globals.builtin, name) && !COMPUTING.has(name),
);

export default ts.config(
  { ignores: ['build/', '.svelte-kit/', 'node_modules/', '.data/'] },
  js.configs.recommended,
  ...ts.configs.strict,
  ...ts.configs.recommendedTypeChecked,
  ...svelte.configs.recommended,
  {
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      // For all alike: the service begins anew whenever the next file asks for others.
      parserOptions: {
        projectService: true,
        tsconfigRootDir: import.meta.dirname,
        extraFileExtensions: ['.svelte'],
      },
    },
  },
  {
    files: ['**/*.svelte', '**/*.svelte.ts'],
    languageOptions: {
      parserOptions: {
        parser: ts.parser,
        svelteConfig,
      },
    },
  },
  {
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-unused-vars': [
        'error',
        { ignoreRestSiblings: true, varsIgnorePattern: '^_', argsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowNullish: true },
      ],
      // What implements a port of promises may have nothing to wait for.
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      eqeqeq: 'error',
      // State is replaced, never mutated in place, and the application lives at the root of its host.
      'svelte/prefer-svelte-reactivity': 'off',
      'svelte/no-navigation-without-resolve': 'off',
    },
  },
  {
    // What a test reads back is looked at by the test itself; the types of routes are made by the framework.
    files: ['**/*.test.ts', 'tests/**', 'testing/**', 'e2e/**', 'src/routes/**/*.svelte'],
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-return': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
    },
  },
  {
    // Decorated classes need their types at run time.
    files: ['src/lib/server/input/*.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  {
    // The core knows no platform: no page, no server, no clock, no randomness. What it may import is for
    // .dependency-cruiser.cjs to say.
    files: ['src/lib/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', { globals: PLATFORM, checkGlobalObject: true }],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'The core has no randomness: pass it in.' },
        { object: 'Date', property: 'now', message: 'The core has no clock: pass the time in.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector:
            "NewExpression[callee.name='Date'][arguments.length=0], CallExpression[callee.name='Date']",
          message: 'The core has no clock: pass the time in.',
        },
        { selector: 'ImportExpression', message: 'The core loads nothing later.' },
      ],
    },
  },
  {
    // What others use says what it is: units, edges, errors. What the framework calls is known by its name.
    files: ['src/lib/**/*.ts'],
    ignores: ['**/*.test.ts'],
    plugins: { jsdoc },
    rules: {
      'jsdoc/require-jsdoc': [
        'error',
        {
          publicOnly: true,
          checkConstructors: false,
          checkGetters: false,
          require: { ArrowFunctionExpression: true, ClassDeclaration: true, MethodDefinition: true },
          contexts: [
            'TSInterfaceDeclaration',
            'TSTypeAliasDeclaration',
            'ExportNamedDeclaration > VariableDeclaration',
          ],
        },
      ],
    },
  },
  { files: ['**/*.{js,mjs,cjs}', '**/*.d.mts'], ...ts.configs.disableTypeChecked },
);
