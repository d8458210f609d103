/** Writes the styles of the component library's parts that we use into one static file of the client. */
import { extractStyle } from '@ant-design/static-style-extract'
import * as antd from 'antd'
import { ConfigProvider } from 'antd'
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { theme } from '../app/shared/theme/theme'

const root = path.resolve(import.meta.dirname, '..')

/** Reached only through others, so no import of ours names them. */
const INDIRECT = ['Tooltip', 'Popover', 'Modal']

const includes = [...new Set([...listImports(path.join(root, 'app')), ...INDIRECT])].filter(
	(name) => name in antd && name !== 'ConfigProvider',
)
const css = extractStyle({
	includes,
	customTheme: (node) => <ConfigProvider theme={theme}>{node}</ConfigProvider>,
} as Parameters<typeof extractStyle>[0])
mkdirSync(path.join(root, 'app', 'generated'), { recursive: true })
writeFileSync(path.join(root, 'app', 'generated', 'antd.css'), css)

/** Names in `import { … } from 'antd'` of all files below a folder. */
function listImports(folder: string): string[] {
	return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
		const file = path.join(folder, entry.name)
		if (entry.isDirectory()) return listImports(file)
		if (!/\.tsx?$/.test(entry.name)) return []
		const imports = readFileSync(file, 'utf8').matchAll(/import \{([^}]*)\} from 'antd'/g)
		return [...imports].flatMap(([, names]) => (names ?? '').split(',').map((name) => name.replace('type ', '').trim()))
	})
}
