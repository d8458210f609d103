import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

const server = ['**/*.server', '**/*.server.ts']

/** Packages that core may use: pure, without a clock, chance, files or network of their own. */
const PURE_PACKAGES = ['svgpath', 'temporal-polyfill', 'ml-matrix']

/** Imports that would turn the direction core <- exchange <- db <- app round. */
const forbid = (patterns) => ({ 'no-restricted-imports': ['error', { patterns }] })

/** Rooms in the order of the job: each may import those before it, none after it. */
const CORE_ROOMS = [
	'vocabulary',
	'time',
	'outlines',
	'materials',
	'drying',
	'readings',
	'design',
	'course',
	'learn',
	'plan',
	'kit',
	'prepare',
	'rehearse',
	'run',
]
const APP_ROOMS = [
	'shared',
	'account',
	'drying',
	'design',
	'studio',
	'plan',
	'course',
	'kit',
	'prepare',
	'rehearse',
	'run',
	'learn',
	'keep',
	'today',
	'frame',
]

const PURE = {
	regex: `^(?!\\.{1,2}/|(${PURE_PACKAGES.join('|')})$)`,
	message: 'core imports nothing outside core but the packages on the list',
}
const OUTSIDE_CORE = {
	regex: '^(\\.\\./)+(app|db|server|exchange|scripts|tests)/',
	message: 'core imports nothing outside core',
}

/** What no file of a room may import: the rooms that come after it. */
const holdOrder = (top, rooms, common = []) =>
	rooms.slice(0, -1).map((room, r) => ({
		files: [`${top}/${room}/**/*.{ts,tsx}`],
		rules: forbid([
			...common,
			{
				regex: `^(\\.\\./)+(${rooms.slice(r + 1).join('|')})/`,
				message: `${top}/${room} comes before these rooms (docs/architecture.md)`,
			},
		]),
	}))

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
		files: ['app/**/*.tsx'],
		// Elements of the browser that must be have a reason, said where they stand.
		ignores: ['app/shared/native/**'],
		rules: {
			'no-restricted-syntax': [
				'error',
				{
					selector: 'JSXOpeningElement[name.name=/^(button|select|textarea|table|details|progress|dialog)$/]',
					message: 'the component library has this (docs/decisions.md)',
				},
				{
					selector:
						"JSXOpeningElement[name.name='input']:not(:has(JSXAttribute[name.name='type'][value.value='hidden']))",
					message: 'the component library has this (docs/decisions.md)',
				},
			],
		},
	},
	{
		files: ['core/**/*.ts'],
		rules: {
			...forbid([PURE, OUTSIDE_CORE]),
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
	...holdOrder('core', CORE_ROOMS, [PURE, OUTSIDE_CORE]),
	...holdOrder('app', APP_ROOMS),
	{
		files: ['core/plan/kernel/**'],
		rules: forbid([PURE, { regex: '^\\.\\./(?!\\.\\./random)', message: 'the kernel knows nothing of classes' }]),
	},
	{
		files: ['app/**/schemas/**'],
		rules: forbid([{ group: server, message: 'shared with the browser' }]),
	},
)
