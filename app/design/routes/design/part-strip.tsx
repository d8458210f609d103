import { Fragment } from 'react'
import { Link } from 'react-router'
import { hazardsOfStep } from '../../../../core/design/cautions'
import type { ResolvedPart, ResolvedStep } from '../../../../core/design/resolve-design'
import { NeedWords } from '../../components/step-chain/need-words'
import { PieceDrawing } from '../../components/flower-picture/piece-drawing'
import { describeForm } from '../../../shared/words/terms'
import { count } from '../../../shared/words/times'

interface PartStripProps {
	/** Of one part, in all its sizes and colours; none: the assembly. */
	kinds: readonly ShownKind[]
	steps: readonly ResolvedStep[]
	allSteps: readonly ResolvedStep[]
	parts: readonly ResolvedPart[]
	/** Of `reckonedKey`. */
	reckoned: Readonly<Record<string, string>>
}

export interface ShownKind {
	part: ResolvedPart
	/** Diameter of its wire by the studio's gauge. */
	wireMm: number | undefined
	/** To the drying of a piece; undefined: nothing of it dries. */
	dryingLink: string | undefined
}

/** A part with one of its pieces drawn, and its steps as a chain with the waits between. */
export function PartStrip({ kinds, steps, allSteps, parts, reckoned }: PartStripProps) {
	const first = kinds[0]?.part
	if (!first && steps.length === 0) return null
	return (
		<section className={`sheet part-strip tint-${first?.tint ?? 'none'}`}>
			{kinds.length !== 1 && <h3>{first?.partName ?? 'Putting together'}</h3>}
			{kinds.map((kind) => (
				<div className="part-head" key={kind.part.id}>
					<PieceDrawing form={kind.part.form} />
					<div>
						{kinds.length === 1 ? <h3>{kind.part.name}</h3> : <h4>{kindName(kind.part)}</h4>}
						<PartWords {...kind} />
					</div>
				</div>
			))}
			<ol className="step-chain">
				{steps.map((step) => (
					<Fragment key={step.id}>
						<NeedWords step={step} steps={steps} allSteps={allSteps} parts={parts} reckoned={reckoned} />
						<li className="step-tile">
							<strong>{step.label}</strong>
							<span>{stepMinutes(step)}</span>
							<p className="soft small">{step.sentence}</p>
							<StepHazards step={step} />
							{step.places.length > 1 && (
								<p className="small step-places">
									may be done {step.places.filter((place) => place !== 'class').join(' or ')}
								</p>
							)}
						</li>
					</Fragment>
				))}
			</ol>
		</section>
	)
}

/** 'large, red': what its name says beyond that of its part. */
function kindName({ name, partName }: ResolvedPart): string {
	return name.slice(partName.length).replace(/^, /, '')
}

function PartWords({ part, wireMm, dryingLink }: ShownKind) {
	const { piecesPerFlower, form, paste, colour, wire, ownPaste, drying } = part
	return (
		<p className="soft small">
			{count(piecesPerFlower, 'piece')} · {describeForm(form)}
			{paste && ` · ${paste}, ${colour}`}
			{wire && ` · wire ${wire.gauge} gauge (${wireMm?.toFixed(2)} mm), ${wire.lengthMm / 10} cm`}
			{ownPaste && ` (${ownPaste.name})`}
			{drying && ` · dries on ${drying.former}`}
			{dryingLink && (
				<>
					{' · '}
					<Link to={dryingLink}>see it dry</Link>
				</>
			)}
		</p>
	)
}

function stepMinutes({ minutesPerPiece, fixedMinutes, part }: ResolvedStep): string {
	const each = `${minutesPerPiece} min ${part === undefined ? 'a piece' : 'each'}`
	return fixedMinutes > 0 ? `${each} + ${fixedMinutes}` : each
}

/** Where the hazard is: what a step asks care for, in a word; the whole caution stands below. */
function StepHazards({ step }: { step: ResolvedStep }) {
	const hazards = hazardsOfStep(step)
	if (hazards.length === 0) return null
	return <p className="small step-hazards">take care: {hazards.join(', ')}</p>
}
