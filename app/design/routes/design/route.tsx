import { LinkButton } from '../../../shared/components/link-button'
import { redirect } from 'react-router'
import { allergensOf } from '../../../../core/design/allergens'
import { cautionsOf } from '../../../../core/design/cautions'
import { measureDesign } from '../../../../core/design/design-figures'
import { shareFigures } from '../../../../core/design/figure-shares'
import { measureRings } from '../../../../core/design/flower-geometry'
import { resolveDesign, type ResolvedDesign, type ResolvedPart } from '../../../../core/design/resolve-design'
import { reviewDesign } from '../../../../core/design/review/review-design'
import { reckonUsualWait } from '../../../../core/design/wait-subject'
import { wireDiameterMm, type GaugeStandard } from '../../../../core/materials/wire-gauge'
import { deleteDesign, getDesign } from '../../../../db/repositories/designs.server'
import { listPhotos } from '../../../../db/repositories/photos.server'
import { CautionList } from '../../components/caution-list/caution-list'
import { ChoiceLinks } from '../../components/choice-links/choice-links'
import { DesignFigureList } from '../../components/design-figures/design-figures'
import { PhotoList } from '../../components/photo-list/photo-list'
import { reckonedKey } from '../../components/step-chain/need-words'
import { addressOfPart, toDryingLink } from '../../../drying/drying-address'
import { hoursRange } from '../../../drying/words/drying'
import { memberContext } from '../../../shared/http/contexts'
import { readBody } from '../../../shared/http/read-input.server'
import { remember } from '../../../shared/http/remember.server'
import { acting, loading } from '../../../shared/http/responses.server'
import { describeLevel, KIND_WORDS } from '../../../shared/words/terms'
import { withSteps } from '../../words/photos'
import { readPicks } from '../../schemas/design-address'
import { versionSchema } from '../../../shared/schemas/row-version'
import type { Route } from './+types/route'
import { DesignTools } from './design-tools'
import { FlowerViews } from './flower-views'
import { PartStrip } from './part-strip'
import './design.css'

export function meta({ loaderData }: Route.MetaArgs) {
	return [{ title: `${loaderData?.design.name ?? 'Design'} · Calycine` }]
}

export function loader({ params, request, context }: Route.LoaderArgs) {
	return loading(async () => {
		const { studio } = context.get(memberContext)
		const { searchParams } = new URL(request.url)
		const { document, version } = await getDesign(studio.id, params.slug)
		const photos = await listPhotos(studio.id, params.slug)
		const picks = readPicks(document, searchParams)
		const design = resolveDesign(document, picks)
		const gauges = new Set(design.parts.flatMap(({ wire }) => (wire ? [wire.gauge] : [])))
		return {
			design,
			photos: withSteps(photos, document),
			version,
			choices: document.choices,
			allergens: allergensOf(design),
			cautions: cautionsOf(design),
			...rememberReckoned([document, picks, studio.gaugeStandard], () => ({
				figures: measureDesign(design, studio.gaugeStandard),
				shares: shareFigures(design),
				rings: measureRings(design.parts, design.layers),
				findingCount: reviewDesign(document, picks, studio.gaugeStandard).length,
				reckoned: reckonWaits(design, studio.gaugeStandard),
			})),
			wireMm: Object.fromEntries([...gauges].map((gauge) => [gauge, wireDiameterMm(gauge, studio.gaugeStandard)])),
		}
	})
}

/** Of a design as it is chosen. */
interface Reckoned {
	figures: ReturnType<typeof measureDesign>
	shares: ReturnType<typeof shareFigures>
	rings: ReturnType<typeof measureRings>
	findingCount: number
	reckoned: Record<string, string>
}

const rememberReckoned = remember<Reckoned>(300)

/** Words of what each wait is reckoned to take, by 'step after'. */
function reckonWaits(design: ResolvedDesign, standard: GaugeStandard): Record<string, string> {
	const entries = design.steps.flatMap((step) =>
		step.needs.flatMap((need): [string, string][] => {
			const hours = reckonUsualWait(design, need, standard)
			if (!hours) return []
			const words = hours === 'never' ? 'never' : hoursRange(hours.p50, hours.p90)
			return [[reckonedKey(step.id, need.after), words]]
		}),
	)
	return Object.fromEntries(entries)
}

function dryingLinkOf(part: ResolvedPart, design: ResolvedDesign): string | undefined {
	const address = addressOfPart(part, design.parts)
	return address && toDryingLink({ ...address, what: `${design.name}, ${part.name.toLowerCase()}`.slice(0, 80) })
}

export function action({ params, request, context }: Route.ActionArgs) {
	return acting(async () => {
		const { studio } = context.get(memberContext)
		await getDesign(studio.id, params.slug)
		const { version } = await readBody(request, versionSchema)
		await deleteDesign(studio.id, params.slug, version)
		return redirect('/designs')
	})
}

/** Kinds of one part together: they share its steps. */
function groupKinds({ parts }: ResolvedDesign): ResolvedPart[][] {
	const groups = new Map<string, ResolvedPart[]>()
	for (const kind of parts) groups.set(kind.of, [...(groups.get(kind.of) ?? []), kind])
	return [...groups.values()]
}

/** One design: pictures, figures, parts with their steps and waits, cautions. */
export default function DesignPage({
	loaderData: {
		design,
		photos,
		version,
		choices,
		figures,
		shares,
		allergens,
		rings,
		findingCount,
		cautions,
		wireMm,
		reckoned,
	},
	actionData,
}: Route.ComponentProps) {
	const assembly = design.steps.filter(({ part }) => part === undefined)
	return (
		<>
			<div className="page-head">
				<h1>{design.name}</h1>
				<p className="soft">
					{KIND_WORDS[design.kind]} · level {design.level}, {describeLevel(design.level)} · {design.finishedSizeMm} mm
					across{design.audience === 'children' && ' · for children'}
				</p>
				<LinkButton type="primary" className="push" to={`/courses/new?design=${design.id}`}>
					Plan a course with it
				</LinkButton>
			</div>
			{actionData && 'message' in actionData && (
				<p className="alert" role="alert">
					{actionData.message}
				</p>
			)}
			<DesignTools version={version} slug={design.id} name={design.name} findingCount={findingCount} />
			<div className="design-top">
				<FlowerViews design={design} rings={rings} />
				<div className="sheet stack">
					<p className="design-summary">{design.summary}</p>
					<ChoiceLinks choices={choices} picks={design.picks} />
					{design.notes && <p className="soft">{design.notes}</p>}
					<DesignFigureList figures={figures} shares={shares} allergens={allergens} />
				</div>
			</div>
			<PhotoList photos={photos} label="Photos" />
			<h2 className="design-heading">Parts and their steps</h2>
			<p className="soft small">
				Minutes are a practised adult’s, per piece. Waits: what the design states, and what is reckoned for an ordinary
				room (21 °C, 50 % humidity), from even odds to 9 in 10. A course reckons them for its own rooms.
			</p>
			<div className="design-parts">
				{groupKinds(design).map((kinds) => (
					<PartStrip
						key={kinds[0]?.of}
						kinds={kinds.map((part) => ({
							part,
							wireMm: part.wire && wireMm[part.wire.gauge],
							dryingLink: dryingLinkOf(part, design),
						}))}
						steps={design.steps.filter((step) => step.part === kinds[0]?.of)}
						allSteps={design.steps}
						parts={design.parts}
						reckoned={reckoned}
					/>
				))}
				<PartStrip kinds={[]} steps={assembly} allSteps={design.steps} parts={design.parts} reckoned={reckoned} />
			</div>
			{cautions.length > 0 && (
				<section aria-labelledby="cautions">
					<h2 id="cautions" className="design-heading">
						Take care
					</h2>
					<CautionList cautions={cautions} />
				</section>
			)}
		</>
	)
}
