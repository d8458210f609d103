/**
 * Writes the look into one static file of the client: the styles of the component library's parts that we use, and the
 * variables of every light and reach, in the library's styles and in our own.
 */
import { extractStyle } from '@ant-design/static-style-extract'
import * as antd from 'antd'
import { ConfigProvider, theme as library, type ThemeConfig } from 'antd'
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { makeTheme, PALETTES, REACHES } from '../app/shared/theme/theme'
import { NIGHT_TINTS, NO_TINT, TINT_COLOURS, type TintColours } from '../app/shared/theme/tints'

const root = path.resolve(import.meta.dirname, '..')

/** Reached only through others, so no import of ours names them. */
const INDIRECT = ['Tooltip', 'Popover', 'Modal', 'Checkbox', 'Spin', 'Empty']

const includes = [...new Set([...listImports(path.join(root, 'app')), ...INDIRECT])].filter(
	(name) => name in antd && name !== 'ConfigProvider',
)

const styles = extract(makeTheme('day', 'desk'))
const usual = readVariables(styles)
const night = { ...makeTheme('night', 'desk'), algorithm: library.darkAlgorithm }

mkdirSync(path.join(root, 'app', 'generated'), { recursive: true })
writeFileSync(
	path.join(root, 'app', 'generated', 'antd.css'),
	[
		// Copies of the variables under names of single renderings.
		styles.replace(/\.css-var-_R_\w+_[^{}]*\{[^{}]*\}/g, ''),
		`:root{${ownVariables('day')}${reachVariables('desk')}}`,
		tintRules((rule) => rule, TINT_COLOURS, NO_TINT.day),
		chosen('light', 'night', '(prefers-color-scheme: dark)', (scope) => [
			...scoped(scope, differences(usual, readVariables(extract(night)))),
			`${scope}{color-scheme:dark;${ownVariables('night')}}`,
			tintRules((rule) => `${scope} ${rule}`, NIGHT_TINTS, NO_TINT.night),
		]),
		chosen('reach', 'touch', '(pointer: coarse)', (scope) => [
			...scoped(scope, differences(usual, readVariables(extract(makeTheme('day', 'touch'))))),
			`${scope}{${reachVariables('touch')}}`,
		]),
	].join('\n'),
)

function extract(theme: ThemeConfig): string {
	return extractStyle({
		includes,
		customTheme: (node) => <ConfigProvider theme={theme}>{node}</ConfigProvider>,
	} as Parameters<typeof extractStyle>[0])
}

/** The rules that set the library's variables: selector -> variable -> value. */
function readVariables(css: string): Map<string, Map<string, string>> {
	const found = [...css.matchAll(/(\.calycine[^{},]*)\{(--ant-[^{}]*)\}/g)]
	return new Map(
		found.map(([, selector = '', body = '']) => [
			selector,
			new Map(body.split(';').flatMap((line) => (line.includes(':') ? [splitLine(line)] : []))),
		]),
	)
}

function splitLine(line: string): [string, string] {
	const colon = line.indexOf(':')
	return [line.slice(0, colon), line.slice(colon + 1)]
}

/** What others set otherwise, as rules. */
function differences(usual: Map<string, Map<string, string>>, other: Map<string, Map<string, string>>) {
	return [...other].flatMap(([selector, variables]) => {
		const changed = [...variables].filter(([name, value]) => usual.get(selector)?.get(name) !== value)
		const body = changed.map(([name, value]) => `${name}:${value}`).join(';')
		return changed.length > 0 ? [{ selector, body }] : []
	})
}

/** The variables stand on the page and once more on each component. */
function scoped(scope: string, rules: readonly { selector: string; body: string }[]): string[] {
	return rules.map(({ selector, body }) => `${scope}${selector},${scope} ${selector}{${body}}`)
}

/** Rules for who has chosen it, and for whose system says so as long as nothing is chosen. Paper is always day. */
function chosen(name: string, value: string, media: string, make: (scope: string) => string[]): string {
	const onScreen = (rules: string[], query: string) => `@media screen${query}{${rules.join('')}}`
	return [
		onScreen(make(`[data-${name}='${value}']`), ''),
		onScreen(make(`html:not([data-${name}])`), ` and ${media}`),
	].join('\n')
}

function ownVariables(light: keyof typeof PALETTES): string {
	return Object.entries(PALETTES[light])
		.map(([name, value]) => `--${name}:${value};`)
		.join('')
}

function reachVariables(reach: keyof typeof REACHES): string {
	return `--reach:${REACHES[reach].control}px;--reach-small:${REACHES[reach].small}px;`
}

function tintRules(scope: (rule: string) => string, tints: Record<string, TintColours>, none: TintColours): string {
	return Object.entries({ ...tints, none })
		.map(([name, { fill, edge }]) => `${scope(`.tint-${name}`)}{--tint:${fill};--edge:${edge};}`)
		.join('')
}

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
