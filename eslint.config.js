import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
    { ignores: ['resources/js/api/types.gen.ts', 'public/build'] },
    ...tseslint.configs.recommended,
    reactHooks.configs.flat.recommended,
    {
        // The trade's formulas stay in the core: only the mat may turn angles into points.
        files: ['resources/js/**/*.{ts,tsx}'],
        ignores: ['resources/js/mat/**'],
        rules: {
            'no-restricted-properties': ['error', ...['sin', 'cos', 'tan', 'atan2', 'sqrt', 'exp', 'log'].map((property) => ({ object: 'Math', property, message: 'Computing belongs in the core, drawing in mat/.' }))],
        },
    },
);
