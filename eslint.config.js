import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const server = ['**/*.server', '**/*.server.ts']

/** Packages that core may use: pure, without a clock, chance, files or network of their own. */
const PURE_PACKAGES = ['simple-statistics', 'svgpath', 'temporal-polyfill']

/** Imports that would turn the direction core <- db <- app round. */
const forbid = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] })

export default tseslint.config(
	{ ignores: ['build/', 'node_modules/', '.react-router/', '.calycine/', 'app/generated/', 'coverage/'] },
	...tseslint.configs.recommended,
	{
		rules: {
			'@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
			'@typescript-eslint/consistent-type-imports': 'error',
			'no-console': 'error',
			eqeqeq: 'error',
		},
	},
	{ files: ['scripts/**', 'tests/**'], rules: { 'no-console': 'off' } },
	{ files: ['app/**/*.{ts,tsx}'], plugins: { 'react-hooks': reactHooks }, rules: reactHooks.configs.recommended.rules },
	{
		files: ['core/**/*.ts'],
		rules: {
			...forbid([
				{
					regex: `^(?!\\.{1,2}/|(${PURE_PACKAGES.join('|')})$)`,
					message: 'core imports nothing outside core but the packages on the list',
				},
				{ regex: '^(\\.\\./)+(app|db|server|exchange|scripts|tests)/', message: 'core imports nothing outside core' },
			]),
			'no-restricted-globals': [
				'error',
				'process',
				'console',
				'window',
				'document',
				'fetch',
				'crypto',
				'performance',
				'setTimeout',
				'setInterval',
			],
			'no-restricted-properties': [
				'error',
				{ object: 'Date', property: 'now', message: 'time is an argument' },
				{ object: 'Math', property: 'random', message: 'chance is an argument' },
				{ object: 'globalThis', property: 'process' },
			],
			'no-restricted-syntax': [
				'error',
				{ selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'time is an argument' },
				{ selector: 'ImportExpression', message: 'core imports nothing at run time' },
			],
		},
	},
	{
		files: ['exchange/**/*.ts'],
		rules: forbid([{ regex: '^(\\.\\./)+(app|db|server)/', message: 'exchange imports core alone' }]),
	},
	{
		files: ['db/**/*.ts'],
		rules: forbid([{ regex: '^(\\.\\./)+(app|server)/', message: 'db imports core and exchange' }]),
	},
	{
		files: ['app/components/**', 'app/schemas/**'],
		rules: forbid([{ group: server, message: 'shared with the browser' }]),
	},
)
