import { reactRouter } from '@react-router/dev/vite'
import { defineConfig, type Plugin } from 'vite'

/** The framework names the server entry itself; the start script looks for index.js. */
const serverEntryNames: Plugin = {
	name: 'server-entry-names',
	enforce: 'post',
	configEnvironment(name) {
		return name === 'ssr' ? { build: { rollupOptions: { output: { entryFileNames: '[name].js' } } } } : undefined
	},
}

/** The few icons that we use instead of all of them: reading those takes a second of every start. */
const BUNDLED = [/^@ant-design\/(icons|colors|fast-color)/, /^@rc-component\/util/]

export default defineConfig(({ command }) => ({
	environments: {
		ssr: {
			// While developing nothing is bundled, and what is no module cannot be read as one.
			...(command === 'build' && { resolve: { noExternal: BUNDLED } }),
			build: { rollupOptions: { input: { index: './server/app.ts', 'solver.worker': './server/solver.worker.ts' } } },
		},
	},
	plugins: [reactRouter(), serverEntryNames],
	worker: { format: 'es' },
	optimizeDeps: {
		include: [
			'@ant-design/icons',
			'antd',
			'chart.js',
			'comlink',
			'dayjs',
			'dayjs/plugin/utc',
			'react-chartjs-2',
			'yup',
		],
		// Found in the server's half of the routes, which the browser never gets.
		exclude: ['mariadb', 'pino', 'rate-limiter-flexible', 'sequelize', 'umzug'],
	},
}))
