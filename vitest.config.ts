import { defineConfig } from 'vitest/config'

/** They kill, freeze and cut lines: what else the machine does would be seen in them. */
const ALONE = ['kills', 'starting'].map((name) => `tests/e2e/${name}.test.ts`)

const e2e = {
	pool: 'forks',
	testTimeout: 120_000,
	hookTimeout: 240_000,
	// What a page shows after an address changed comes a moment later.
	expect: { poll: { timeout: 10_000 } },
} as const

export default defineConfig({
	test: {
		projects: [
			{
				test: {
					name: 'core',
					include: ['tests/{core,exchange,scripts}/**/*.test.ts'],
					testTimeout: 60_000,
					// Pure: what one file has loaded, the next may use; and first, alone on all cores.
					isolate: false,
					maxWorkers: '100%',
					sequence: { groupOrder: 0 },
				},
			},
			{
				test: {
					name: 'db',
					globalSetup: ['tests/support/database-setup.ts'],
					setupFiles: ['tests/support/database-environment.ts'],
					pool: 'forks',
					fileParallelism: false,
					sequence: { groupOrder: 1 },
					include: ['tests/{db,app}/**/*.test.{ts,tsx}'],
					testTimeout: 30_000,
					hookTimeout: 60_000,
				},
			},
			{
				test: {
					name: 'e2e',
					...e2e,
					globalSetup: ['tests/support/demo-folder.ts'],
					include: ['tests/e2e/**/*.test.ts'],
					exclude: ALONE,
					// Each file has an app, a database and a browser of its own, and waits for them most of its time.
					maxWorkers: 2,
					sequence: { groupOrder: 2 },
				},
			},
			{
				test: {
					name: 'alone',
					...e2e,
					include: ALONE,
					fileParallelism: false,
					sequence: { groupOrder: 3 },
				},
			},
		],
	},
})
