import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { tasksOfPin } from '../../../../core/course/course-pin'
import type { PlanStory } from '../../../../core/plan/tell/plan-story'
import { withTerms } from '../../../shared/address'
import { LinkButton } from '../../../shared/components/link-button'
import { ScrollRegion } from '../../../shared/components/scroll-region'
import { readSession } from '../../components/plan-bands/chosen-session'
import type { LayDown } from '../../components/plan-bands/hands/bench-hands'
import { PlanBands } from '../../components/plan-bands/plan-bands'
import type { TrialSession } from '../../trial/trial-session'
import type { Trial } from '../../trial/use-trial'
import { ElsewhereNotes } from './elsewhere-notes'
import { ChangePanel } from './hands/change-panel'
import { nextZoom, TrialBar } from './hands/trial-bar'
import { TrialNotice } from './hands/trial-notice'
import { useMayChange } from '../../../shared/may/use-may'
import type { PlanData } from './load-plan.server'
import { PlanSummary } from './plan-summary'
import { StepCard } from './step-card'
import { TileLink } from './tile-link'

interface PlanTopProps {
	/** The plan that stands. */
	plan: PlanData
	/** What is seen: that, or one that is tried. */
	shown: PlanData & { story: PlanStory }
	isTried: boolean
	trial: Trial
}

/** The picture under her hands, and the card beside it. */
export function PlanTop({ plan, shown, isTried, trial }: PlanTopProps) {
	const { story, selected } = shown
	const { session } = trial
	const [search] = useSearchParams()
	const [zoom, setZoom] = useState(1)
	const [isChanging, setChanging] = useState(false)
	const picture = useZoomKeys(setZoom)
	useUndoKeys(session)
	const chosenSession = readSession(search.get('session'), story)
	const { course } = session
	const named = { names: { ...plan.names, ...shown.names }, sessions: course.sessions }
	const pinned = useMemo(() => new Set((course.pins ?? []).flatMap(tasksOfPin)), [course.pins])
	const mayChange = useMayChange()
	const lay = useCallback<LayDown>(
		(item, place) => {
			if (place.isBefore) {
				if (item.kind === 'step')
					session.edit({ kind: 'pin', pin: { kind: 'place', task: item.taskId, place: 'ahead' } })
				return
			}
			const { band, minuteOfDay } = place
			const number = band + 1
			if (item.kind === 'step')
				session.edit({ kind: 'pin', pin: { kind: 'start', task: item.taskId, session: number, minuteOfDay } })
			if (item.kind === 'break')
				session.edit({ kind: 'break', session: number, startMin: item.startMin, toMin: minuteOfDay })
			const own = session.course.sessions[band]
			if (item.kind === 'end' && own)
				session.edit({ kind: 'hours', session: number, startMin: own.startMin, endMin: minuteOfDay })
		},
		[session],
	)
	return (
		<>
			<TrialBar
				trial={trial}
				named={named}
				zoom={zoom}
				onZoom={setZoom}
				isChanging={isChanging}
				onChange={() => setChanging(!isChanging)}
			/>
			{isChanging && <ChangePanel plan={plan} />}
			<TrialNotice trial={trial} plan={plan} named={named} />
			<div className="plan-top">
				<section aria-label={isTried ? 'The plan as it is tried' : 'The plan'} ref={picture}>
					{chosenSession !== undefined && (
						<LinkButton className="no-print" to={`?${withTerms(search, { session: undefined })}`} preventScrollReset>
							All sessions
						</LinkButton>
					)}
					<ScrollRegion label="Picture of the plan">
						<PlanBands
							story={story}
							before={isTried ? plan.story : undefined}
							zoom={zoom}
							pinnedTaskIds={pinned}
							{...(mayChange && { onLay: lay })}
							links={{
								tile: (step) => `?${withTerms(search, { step })}`,
								session: (index) => `?${withTerms(search, { session: String(index + 1) })}`,
								threads: shown.dryingLinks,
								Link: TileLink,
							}}
							selectedTaskId={search.get('step') ?? undefined}
							chosenSession={chosenSession}
						/>
					</ScrollRegion>
					<ElsewhereNotes story={story} />
				</section>
				<aside className="sheet stack plan-card" aria-live="polite">
					{selected ? (
						<StepCard step={selected} story={story} plan={shown} named={named} />
					) : (
						<PlanSummary plan={shown} story={story} isTried={isTried} />
					)}
					{selected && (
						<Link to={`?${withTerms(search, { step: undefined })}`} preventScrollReset className="no-print">
							The whole plan
						</Link>
					)}
				</aside>
			</div>
		</>
	)
}

/** Ctrl Z and Ctrl Shift Z, but not where somebody types. */
function useUndoKeys(session: TrialSession): void {
	useEffect(() => {
		const press = (event: KeyboardEvent) => {
			const isTyping = event.target instanceof HTMLElement && event.target.closest('input, textarea') !== null
			if (isTyping || !(event.ctrlKey || event.metaKey) || event.key.toLowerCase() !== 'z') return
			event.preventDefault()
			session.undo(event.shiftKey ? -1 : 1)
		}
		window.addEventListener('keydown', press)
		return () => window.removeEventListener('keydown', press)
	}, [session])
}

/** Wheel with Ctrl (as a pinch is told) over the picture, and + and −, look nearer or from further. */
function useZoomKeys(setZoom: React.Dispatch<React.SetStateAction<number>>) {
	const frame = useRef<HTMLElement>(null)
	useEffect(() => {
		const own = frame.current
		const turn = (event: WheelEvent) => {
			if (!event.ctrlKey) return
			event.preventDefault()
			setZoom((zoom) => nextZoom(zoom, event.deltaY < 0 ? 1 : -1))
		}
		const press = (event: KeyboardEvent) => {
			const isTyping = event.target instanceof HTMLInputElement
			if (isTyping || event.ctrlKey || event.metaKey || event.altKey) return
			if (event.key === '+' || event.key === '=') setZoom((zoom) => nextZoom(zoom, 1))
			if (event.key === '-') setZoom((zoom) => nextZoom(zoom, -1))
		}
		own?.addEventListener('wheel', turn, { passive: false })
		own?.addEventListener('keydown', press)
		return () => {
			own?.removeEventListener('wheel', turn)
			own?.removeEventListener('keydown', press)
		}
	}, [setZoom])
	return frame
}
