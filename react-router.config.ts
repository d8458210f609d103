import path from 'node:path'
import type { Config } from '@react-router/dev/config'
import { buildOfflineWorker } from './scripts/machine/offline-worker'

export default {
	ssr: true,
	future: {
		v8_middleware: true,
		v8_splitRouteModules: true,
		v8_viteEnvironmentApi: true,
		v8_passThroughRequests: true,
		v8_trailingSlashAwareDataRequests: true,
	},
	buildEnd: ({ reactRouterConfig: { buildDirectory } }) => buildOfflineWorker(path.join(buildDirectory, 'client')),
} satisfies Config
