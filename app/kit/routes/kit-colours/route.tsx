/** Pastes and mixtures to make, and colours to mix: how much of what, and by when. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import type { ColourBatch } from '../../../../core/kit/colour-batches'
import { listMakes, type MakeBatch } from '../../../../core/kit/make-list'
import type { KitTerms } from '../../../../core/kit/kit-terms'
import type { UnitSystem } from '../../../../core/materials/units'
import { DataTable } from '../../../shared/components/data-table/data-table'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import { amountWords } from '../../../shared/words/amounts'
import { recipeWords } from '../../words/recipes'
import { longDay } from '../../../shared/words/times'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { kit, state } = await readKit(studio, await courseOfPage(context, params))
		return {
			state,
			makes: kit ? listMakes(kit) : [],
			colours: kit?.colours ?? [],
			units: studio.units,
			gel: studio.kitTerms.gelGPer100G,
		}
	})
}

const DEPTH_WORDS: Record<ColourBatch['depth'], string> = {
	white: 'not coloured',
	pastel: 'pastel',
	mid: 'middling',
	deep: 'deep',
}

/** Colours to mix, day by day. */
export default function KitColoursPage({ loaderData: { state, makes, colours, units, gel } }: Route.ComponentProps) {
	const days = [...new Set(colours.map(({ colourBy }) => colourBy))]
	const dayless = makes.filter(({ makeBy }) => !days.includes(makeBy))
	return (
		<KitNotices state={state}>
			{days.map((day) => (
				<section key={day} className="sheet" aria-label={longDay(day)}>
					<h2>By {longDay(day)}</h2>
					<MakeTable makes={makes.filter(({ makeBy }) => makeBy === day)} units={units} />
					<ColourTable colours={colours.filter(({ colourBy }) => colourBy === day)} units={units} gel={gel} />
				</section>
			))}
			{dayless.length > 0 && (
				<section className="sheet" aria-label="Mixtures">
					<h2>To mix</h2>
					<MakeTable makes={dayless} units={units} />
				</section>
			)}
			<p className="soft">
				A day before it is rolled, so that the paste rests and the colour deepens. How deep is read from the colour’s
				name; how much gel that takes is a setting of the studio, from memory. Add it little by little: deep red and
				black are better bought coloured.
			</p>
		</KitNotices>
	)
}

/** Recipes scaled to the class, what goes into another first. */
function MakeTable({ makes, units }: { makes: readonly MakeBatch[]; units: UnitSystem }) {
	if (makes.length === 0) return null
	return (
		<DataTable
			label="To knead and mix"
			rows={makes}
			keyOf={({ name }) => name}
			columns={[
				{ name: 'Make', isHead: true, cell: ({ name }) => <strong>{name}</strong> },
				{ name: 'Of', cell: ({ ingredients }) => recipeWords(ingredients, units) },
				{
					name: 'In all',
					isNumber: true,
					cell: ({ amount, unit }) => <strong>{amountWords(amount, unit, units)}</strong>,
				},
			]}
		/>
	)
}

function ColourTable({
	colours,
	units,
	gel,
}: {
	colours: readonly ColourBatch[]
	units: UnitSystem
	gel: KitTerms['gelGPer100G']
}) {
	return (
		<DataTable
			label="Colours"
			rows={colours}
			keyOf={({ key }) => key}
			columns={[
				{ name: 'Colour', isHead: true, cell: ({ colour }) => <strong>{colour}</strong> },
				{ name: 'Paste', cell: ({ paste }) => paste },
				{
					name: 'Weigh',
					isNumber: true,
					cell: ({ shares }) => <strong>{amountWords(shares.total, 'mg', units)}</strong>,
				},
				{
					name: 'Gel colour, about',
					isNumber: true,
					cell: ({ gelMg }) => (gelMg === 0 ? '–' : amountWords(gelMg, 'mg', units)),
				},
				{
					name: 'How deep',
					cell: ({ depth, gelMg }) => (
						<>
							{DEPTH_WORDS[depth]}
							{gelMg > 0 && <span className="soft small"> {gel[depth]} g for 100 g</span>}
						</>
					),
				},
			]}
		/>
	)
}
