import js from '@eslint/js';
import a11y from 'eslint-plugin-jsx-a11y';
import hooks from 'eslint-plugin-react-hooks';
import refresh from 'eslint-plugin-react-refresh';
import ts from 'typescript-eslint';

export default ts.config(
  { ignores: ['dist', 'src/shared/schema.gen.d.ts'] },
  js.configs.recommended,
  ...ts.configs.strict,
  a11y.flatConfigs.recommended,
  {
    plugins: { 'react-hooks': hooks, 'react-refresh': refresh },
    rules: {
      ...hooks.configs.recommended.rules,
      'react-refresh/only-export-components': 'off',
      'jsx-a11y/label-has-associated-control': ['error', { assert: 'either', depth: 4, controlComponents: ['Select'] }],
      '@typescript-eslint/no-unused-vars': ['error', { varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-non-null-assertion': 'error',
      'no-restricted-imports': [
        'error',
        {
          paths: [
            {
              name: 'react-router',
              importNames: ['useSearchParams'],
              message:
                'what stands behind the question mark is changed by useAddress alone, so that no choice undoes another',
            },
          ],
        },
      ],
    },
  },
  { files: ['src/shared/address.ts'], rules: { 'no-restricted-imports': 'off' } },
);
