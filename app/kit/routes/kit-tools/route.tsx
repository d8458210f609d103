/** Tools: enough at each place, or shared, with what sharing costs and what one more would give; and what dries on what. */
import { courseOfPage } from '../../../shared/http/course-of-page.server'
import { Link } from 'react-router'
import type { FormerLine } from '../../../../core/kit/drying-trays'
import { enoughOf, isShared } from '../../../../core/kit/tool-needs'
import { cheapestOffer, stockKey } from '../../../../core/kit/stock'
import { KitNotices } from '../../components/kit-notices/kit-notices'
import { useRehearsalBrief } from '../../../shared/components/use-rehearsal-brief'
import { memberContext } from '../../../shared/http/contexts'
import { loading } from '../../../shared/http/responses.server'
import { readKit } from '../../read-kit.server'
import { Disclosure } from '../../../shared/native/disclosure'
import { money } from '../../../shared/words/amounts'
import { count } from '../../../shared/words/times'
import type { Route } from './+types/route'
import { SharingBars } from './sharing-bars'
import './kit-tools.css'

export function loader({ params, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { kit, state, stock, planId } = await readKit(studio, await courseOfPage(context, params))
		const tools = (kit?.tools ?? []).map((line) => ({
			...line,
			sold: cheapestOffer(stock, stockKey('tool', line.tool)),
		}))
		return { state, planId, tools, formers: kit?.formers ?? [], currency: studio.kitTerms.currency }
	})
}

/** Tools that are shared with their waiting, those at each place, and what pieces dry on. */
export default function KitToolsPage({ loaderData }: Route.ComponentProps) {
	const { state, planId, tools, formers, currency } = loaderData
	const brief = useRehearsalBrief(state.courseId, planId)
	const shared = tools.filter(isShared).toSorted((a, b) => b.queueingMinutes - a.queueingMinutes)
	return (
		<KitNotices state={state}>
			<section className="sheet" aria-labelledby="shared">
				<h2 id="shared">Shared</h2>
				{shared.length === 0 && (
					<p className="soft">
						Nothing is known to be shared. Say on the <Link to="/stock">shelf</Link> how many you have of what is dear,
						and the plan reckons with the waiting.
					</p>
				)}
				{shared.map((line) => (
					<SharedTool
						key={line.tool}
						line={line}
						currency={currency}
						rehearsedMinutes={brief?.toolMinutes?.[line.tool]}
					/>
				))}
			</section>
			<section className="sheet" aria-labelledby="places">
				<h2 id="places">At each place</h2>
				<ul className="tool-list">
					{tools
						.filter((line) => !isShared(line))
						.map(({ tool, uses, ownedCount }) => (
							<li key={tool}>
								<strong>{tool}</strong>
								<span className="soft small">{uses.join('; ')}</span>
								<Link className="small" to={`/stock?kind=tool&name=${encodeURIComponent(tool)}`}>
									{ownedCount === undefined ? 'say how many you have' : `you have ${ownedCount}`}
								</Link>
							</li>
						))}
				</ul>
			</section>
			<section className="sheet" aria-labelledby="formers">
				<h2 id="formers">To dry on</h2>
				{formers.length === 0 && <p className="soft">Nothing dries on a former between the steps.</p>}
				<ul className="tool-list">
					{formers.map((line) => (
						<li key={line.former}>
							<strong>
								{line.former}: {count(line.peakCount, 'piece')} at once
							</strong>
							<span className="soft small">
								{count(line.trayCount, 'tray')}; {line.partNames.join(', ')}
								{line.peakMinute === undefined && ', made ahead'}
							</span>
							<Link
								className={isShort(line) ? 'small is-short' : 'small'}
								to={`/stock?kind=former&name=${encodeURIComponent(line.former)}`}
							>
								{placesWords(line)}
							</Link>
						</li>
					))}
				</ul>
			</section>
		</KitNotices>
	)
}

function isShort({ places = Infinity, peakCount }: FormerLine): boolean {
	return places < peakCount
}

/** Whether there is room for all at once, by the shelf. */
function placesWords({ places, peakCount, peakMinute }: FormerLine): string {
	if (places === undefined) return 'say how many have room'
	if (places >= peakCount) return `you have room for ${places}`
	if (peakMinute === undefined && places > 0)
		return `you have room for ${places}: made in ${Math.ceil(peakCount / places)} goes`
	return `you have room for ${places}: ${count(peakCount - places, 'piece')} too many`
}

type SoldTool = Route.ComponentProps['loaderData']['tools'][number]

interface SharedToolProps {
	line: SoldTool
	currency: string
	/** Undefined: it has not been played, or nobody waits there. */
	rehearsedMinutes: number | undefined
}

function SharedTool({ line, currency, rehearsedMinutes }: SharedToolProps) {
	const { tool, ownedCount = 1, studentCount, curve, uses, sold } = line
	const enough = enoughOf(line)
	const at = (n: number) => Math.round(curve[n - 1]?.queueingMinutes ?? 0)
	return (
		<article className="shared-tool">
			<div>
				<h3>{tool}</h3>
				<p className="shared-words">
					{ownedCount} for {count(studentCount, 'student')}: <b>{count(at(ownedCount), 'minute')} of waiting</b> each
					{ownedCount < enough &&
						`; ${ownedCount + 1}: ${at(ownedCount + 1)}${enough > ownedCount + 1 ? `; ${enough}: ${at(enough)}` : ''}`}
					.
				</p>
				{rehearsedMinutes !== undefined && (
					<p>
						In the rehearsal, with everybody’s own pace: <b>{count(Math.round(rehearsedMinutes), 'minute')}</b>.
					</p>
				)}
				<p className="soft small">{uses.join('; ')}. The waiting is in the plan’s times.</p>
				{ownedCount < enough && (
					<p className="no-print">
						{sold
							? `One more costs ${money(sold.priceCents, currency)} at ${sold.supplierName}, which delivers in ${count(sold.leadDays, 'day')}; or borrow one: `
							: 'To buy or to borrow: '}
						<Link to={`/stock?kind=tool&name=${encodeURIComponent(tool)}`}>set how many there will be</Link>, then plan
						anew.
					</p>
				)}
				<Disclosure head="How this is reckoned">
					<p className="soft small">
						Mean values of a closed queue: all students do the step at once, each has the tool in hand for a share of
						every piece’s time, and works on without it for the rest. Shares as the design says, or as usual for such a
						tool (common practice, no source). Times as they vary: with steadier hands there is a little less waiting.
					</p>
				</Disclosure>
			</div>
			<SharingBars line={line} />
		</article>
	)
}
