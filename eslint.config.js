import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['resources/js/api/types.gen.ts', 'public/build'] },
    ...tseslint.configs.recommended,
    reactHooks.configs.flat.recommended,
    {
        ...jsxA11y.flatConfigs.recommended,
        files: ['resources/js/**/*.tsx'],
        rules: {
            ...jsxA11y.flatConfigs.recommended.rules,
            'jsx-a11y/no-noninteractive-tabindex': ['error', { roles: ['group', 'region', 'log'] }], // what scrolls is reached by key
            'jsx-a11y/no-autofocus': 'off', // a dialog that opens begins at its first field
            'jsx-a11y/label-has-associated-control': ['error', { depth: 4 }],
        },
    },
    {
        // The trade's formulas stay in the core: only the mat may turn angles into points.
        files: ['resources/js/**/*.{ts,tsx}'],
        ignores: ['resources/js/mat/**'],
        rules: {
            'no-restricted-properties': ['error', ...['sin', 'cos', 'tan', 'atan2', 'sqrt', 'exp', 'log'].map((property) => ({ object: 'Math', property, message: 'Computing belongs in the core, drawing in mat/.' }))],
        },
    },
);
