/** What the kit's components send to a browser that runs no scripts yet, and what can be read and pressed there. */
import { renderToStaticMarkup } from 'react-dom/server'
import { createRoutesStub } from 'react-router'
import { describe, expect, test } from 'vitest'
import { SeatPicker } from '../../../app/kit/components/seat-picker'
import type { DataColumn } from '../../../app/shared/components/data-table/data-column'
import { FewField, SelectField } from '../../../app/shared/components/fields/choice-fields'
import { NumberField } from '../../../app/shared/components/fields/number-field'
import { TimeField } from '../../../app/shared/components/fields/time-field'
import { FileButton } from '../../../app/shared/components/file-button'
import { LinkButton } from '../../../app/shared/components/link-button'
import { ListSearch } from '../../../app/shared/components/list-search/list-search'
import { PageLinks } from '../../../app/shared/components/page-links'
import { Why } from '../../../app/shared/components/why/why'
import { Disclosure } from '../../../app/shared/native/disclosure'
import { PlainTable } from '../../../app/shared/native/plain-table'

const nothing = () => {}

/** As the server sends it, at an address. */
function render(element: React.ReactElement, address = '/'): string {
	const Page = createRoutesStub([{ path: '*', Component: () => element }])
	return renderToStaticMarkup(<Page initialEntries={[address]} />)
}

/** What is read there. */
function textOf(markup: string): string {
	return markup
		.replaceAll(/<[^>]*>/g, ' ')
		.replaceAll(/\s+/g, ' ')
		.trim()
}

/** The addresses that lead away, with their words. */
function linksOf(markup: string): [string, string][] {
	return [...markup.matchAll(/<a [^>]*href="([^"]*)"[^>]*>(.*?)<\/a>/g)].map(([, to = '', inside = '']) => [
		to.replaceAll('&amp;', '&'),
		textOf(inside),
	])
}

describe('a number that tells why', () => {
	const markup = render(<Why reasons={['12 students', '3 spare']}>15</Why>)

	test('tells it below itself on paper and without scripts', () => {
		expect(markup).toContain('<span class="why-note">12 students; 3 spare</span>')
		expect(textOf(/<noscript>(.*)<\/noscript>/.exec(markup)?.[1] ?? '')).toBe('12 students 3 spare')
	})

	test('is nothing to press where there is nothing to tell', () => {
		expect(render(<Why reasons={[]}>15</Why>)).toBe('<b>15</b>')
	})
})

describe('a plain table', () => {
	interface Layer {
		name: string
		hours: number
	}
	const columns: DataColumn<Layer>[] = [
		{ name: 'Layer', isHead: true, cell: ({ name }) => name },
		{ name: 'Hours', isNumber: true, cell: ({ hours }) => hours, span: ({ hours }) => (hours === 0 ? 2 : 1) },
		{ name: 'Note', head: 'What it allows', cell: () => 'taped', span: ({ hours }) => (hours === 0 ? 0 : 1) },
	]
	const rows = [
		{ name: 'petals', hours: 9 },
		{ name: 'wire', hours: 0 },
	]
	const draw = (hasHead: boolean) =>
		render(<PlainTable label="Layers" columns={columns} rows={rows} keyOf={({ name }) => name} hasHead={hasHead} />)

	test('has heads of columns and of rows, and cells over more than one', () => {
		const markup = draw(true)

		expect([...markup.matchAll(/scope="(col|row)"[^>]*>([^<]*)/g)].map(([, scope, words]) => [scope, words])).toEqual([
			['col', 'Layer'],
			['col', 'Hours'],
			['col', 'What it allows'],
			['row', 'petals'],
			['row', 'wire'],
		])
		expect(markup.match(/colSpan="2"|colspan="2"/gi)).toHaveLength(1)
		expect(markup.match(/taped/g)).toHaveLength(1)
		expect(markup).toContain('aria-label="Layers"')
	})

	test('can do without heads of columns', () => {
		expect(draw(false)).not.toContain('<thead')
	})
})

describe('fields, before scripts run,', () => {
	test('are named with their unit, and say what is wrong where it is', () => {
		const markup = render(
			<NumberField label="Thickness" unit="mm" value={9} min={0.5} max={5} onChange={nothing} problem="Too thick" />,
		)
		const described = /<input[^>]*aria-describedby="([^"]*)"/.exec(markup)?.[1]

		expect(markup).toContain('aria-label="Thickness, mm"')
		expect(markup).toContain('value="9"')
		expect(textOf(markup)).toContain('Too thick')
		expect(described).toBeTruthy()
		expect(markup).toContain(`id="${described}"`)
	})

	test('are sent with a form: a choice, one of few, a time', () => {
		const options = [
			{ value: 'cool', label: 'Cool' },
			{ value: 'warm', label: 'Warm' },
		]
		const select = render(<SelectField label="Room" name="room" value="warm" options={options} onChange={nothing} />)
		const few = render(<FewField label="Room" name="room" value="warm" options={options} onChange={nothing} />)
		const time = render(<TimeField label="Begins" name="begins" value="18:30" onChange={nothing} />)

		expect(select).toContain('<input type="hidden" name="room" value="warm"/>')
		expect(few).toMatch(/<input[^>]*name="room"[^>]*value="cool"/)
		expect(/<input[^>]*checked[^>]*>/.exec(few)?.[0]).toContain('value="warm"')
		expect(/<input[^>]*>/.exec(time)?.[0]).toMatch(/name="begins".*value="18:30"|value="18:30".*name="begins"/)
	})

	test('choose files of their kind only', () => {
		expect(render(<FileButton label="Read a file" accept=".csv,text/csv" onFile={nothing} />)).toContain(
			'accept=".csv,text/csv"',
		)
	})
})

describe('what leads on', () => {
	test('is a link, though it looks like a button', () => {
		expect(linksOf(render(<LinkButton to="/courses/new">New course</LinkButton>))).toEqual([
			['/courses/new', 'New course'],
		])
	})

	test('keeps what was asked of a list from page to page', () => {
		const markup = render(<PageLinks page={2} pageCount={3} />, '/designs?q=rose&page=2')

		expect(linksOf(markup)).toEqual([
			['/designs?q=rose&page=1', 'Before'],
			['/designs?q=rose&page=3', 'After'],
		])
		expect(textOf(markup)).toBe('Before Page 2 of 3 After')
		expect(linksOf(render(<PageLinks page={1} pageCount={2} />))).toEqual([['/?page=2', 'After']])
		expect(render(<PageLinks page={1} pageCount={1} />)).toBe('')
	})

	test('opens in its place', () => {
		const more = (isOpen: boolean) => (
			<Disclosure head="More" isOpen={isOpen}>
				Rare things
			</Disclosure>
		)

		expect(render(more(false))).toContain('<summary>More</summary>Rare things')
		expect(render(more(false))).not.toContain('open=""')
		expect(render(more(true))).toContain('open=""')
	})
})

describe('a list that is sought', () => {
	const level = {
		name: 'level',
		label: 'Level',
		options: [
			{ value: '', label: 'Any' },
			{ value: '2', label: 'Some' },
		],
	}

	test('shows what is asked by its address, and sends it without scripts', () => {
		const markup = render(
			<ListSearch placeholder="rose" terms={[level]} found="3 of 12" clearTo="/designs" />,
			'/designs?q=lily&level=2',
		)

		expect(markup).toMatch(/<form [^>]*method="get"/)
		expect(/<input[^>]*name="q"[^>]*>/.exec(markup)?.[0]).toContain('value="lily"')
		expect(markup).toContain('<input type="hidden" name="level" value="2"/>')
		expect(linksOf(markup)).toEqual([['/designs', 'show all']])
	})

	test('takes no word that it does not know', () => {
		expect(render(<ListSearch placeholder="" terms={[level]} found="" />, '/?level=99')).toContain(
			'name="level" value=""',
		)
	})
})

describe('whose kit it is', () => {
	const seats = (count: number) =>
		Array.from({ length: count }, (_, s) => ({ to: `/kits/${s + 1}`, label: `Place ${s + 1}`, isCurrent: s === 0 }))

	test('stands beside each other up to twelve', () => {
		const markup = render(<SeatPicker label="Whose kit" options={seats(12)} />)

		expect(linksOf(markup)).toHaveLength(12)
		expect(markup).not.toContain('<noscript>')
		expect(markup.match(/aria-current/g)).toHaveLength(1)
	})

	test('is a list beyond, and still links without scripts', () => {
		const markup = render(<SeatPicker label="Whose kit" options={seats(13)} />)
		const [shown = '', scriptless = ''] = markup.split('<noscript>')

		expect(linksOf(shown)).toEqual([])
		expect(textOf(shown)).toContain('Place 1')
		expect(linksOf(scriptless)).toHaveLength(13)
	})
})
