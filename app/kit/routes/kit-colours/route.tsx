/** Colours to mix: how much paste, how much gel, and by when. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import type { ColourBatch } from '../../../../core/kit/colour-batches'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import { amountWords } from '../../../shared/words/amounts'
import { longDay } from '../../../shared/words/times'
import type { Route } from './+types/route'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { kit, state } = await readKit(studio, await courseOfPage(context, params))
		return { state, colours: kit?.colours ?? [], units: studio.units, gel: studio.kitTerms.gelGPer100G }
	})
}

const DEPTH_WORDS: Record<ColourBatch['depth'], string> = {
	white: 'not coloured',
	pastel: 'pastel',
	mid: 'middling',
	deep: 'deep',
}

export default function KitColoursPage({ loaderData: { state, colours, units, gel } }: Route.ComponentProps) {
	const days = [...new Set(colours.map(({ colourBy }) => colourBy))]
	return (
		<KitNotices state={state}>
			{days.map((day) => (
				<section key={day} className="sheet" aria-label={longDay(day)}>
					<h2>By {longDay(day)}</h2>
					<div className="scroll-x" tabIndex={0} role="region" aria-label="Colours">
						<table>
							<thead>
								<tr>
									<th>Colour</th>
									<th>Paste</th>
									<th className="number">Weigh</th>
									<th className="number">Gel colour, about</th>
									<th>How deep</th>
								</tr>
							</thead>
							<tbody>
								{colours
									.filter(({ colourBy }) => colourBy === day)
									.map(({ key, colour, paste, shares, gelMg, depth }) => (
										<tr key={key}>
											<td>
												<strong>{colour}</strong>
											</td>
											<td>{paste}</td>
											<td className="number">
												<strong>{amountWords(shares.total, 'mg', units)}</strong>
											</td>
											<td className="number">{gelMg === 0 ? '–' : amountWords(gelMg, 'mg', units)}</td>
											<td>
												{DEPTH_WORDS[depth]}
												{gelMg > 0 && <span className="soft small"> {gel[depth]} g for 100 g</span>}
											</td>
										</tr>
									))}
							</tbody>
						</table>
					</div>
				</section>
			))}
			<p className="soft">
				A day before it is rolled, so that the paste rests and the colour deepens. How deep is read from the colour’s
				name; how much gel that takes is a setting of the studio, from memory. Add it little by little: deep red and
				black are better bought coloured.
			</p>
		</KitNotices>
	)
}
