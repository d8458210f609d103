/** What a session that is taught needs on its device: what is to come, with cards, people and what has happened already. */
import { CAUTION_OF, hazardsOfStep } from '../../core/design/cautions'
import type { Climate } from '../../core/drying/climate'
import type { ResolvedDesign, ResolvedStep } from '../../core/design/resolve-design'
import { NotFoundError } from '../../core/errors'
import { worksOfTask, type StepSource } from '../../core/plan/compile/compiled-course'
import { roomOf, type PlanTerms } from '../../core/plan/compile/drying-terms'
import { resolveCourse } from '../../core/plan/plan-course'
import { resolvePins } from '../../core/plan/pins/course-pins'
import { ownedToolsOf } from '../../core/kit/stock'
import { isShared } from '../../core/kit/tool-needs'
import { findWayBack } from '../../core/prepare/home-work'
import { listMakeUps, type MakeUp } from '../../core/prepare/make-up'
import type { Script } from '../../core/rehearse/script'
import { writeScript } from '../../core/rehearse/write-script'
import type { RunProblem } from '../../core/run/remaining-problem'
import { countingEvents, mergeEvents } from '../../core/run/run-event'
import { toRunPlan, type RunEntry, type RunPlan } from '../../core/run/run-plan'
import { describeWaits, type WaitInAir } from '../../core/run/tray-air'
import type { StoredCourse } from '../../db/repositories/courses.server'
import type { Studio } from '../../db/repositories/accounts.server'
import { listPlaces } from '../../db/repositories/places.server'
import { getPlan } from '../../db/repositories/plans.server'
import { readRunEvents, type KnownEvents, type RunKey } from '../../db/repositories/runs.server'
import { pieceFigure } from '../design/components/flower-picture/flower-figure'
import { readKit, type CurrentKit } from '../kit/read-kit.server'
import { toldPlan } from '../plan/told-plan.server'
import { piecesWords, nameOfTask } from '../plan/words/tasks'
import { readSpeeds } from '../rehearse/read-rehearsal.server'
import type { Figure } from '../shared/figure/figure'
import { readId } from '../shared/http/read-input.server'
import { sessionName } from '../shared/words/times'

/** What is read of one entry, at arm's length. */
export interface RunCard {
	/** 'outer petals, 6 each'; what is shown, and breaks, have none. */
	over: string
	title: string
	sentence: string
	/** What to have out. */
	out: string[]
	cautions: string[]
	figure?: Figure
}

export interface RunPage {
	studioId: number
	courseId: number
	courseName: string
	/** From 1; and as it is called. */
	session: number
	sessionName: string
	sessionCount: number
	plan: RunPlan
	/** Of the studio, in the IANA database: the clock on its wall. */
	timeZone: string
	/** By entry. */
	cards: Record<string, RunCard>
	/** By batch. */
	batchNames: Record<string, string>
	/** By place: a name, or its number. */
	students: string[]
	known: KnownEvents
	/** Of the whole course, to be rehearsed from the present. */
	script: Script
	/** The plan that the session is taught by: the newest, or the one that it was opened with. */
	planId: number
	/** Of the whole course, to be planned from the present. */
	problem: RunProblem
	/** By session. */
	sessionNames: string[]
	/** Where the session meets, and its air as it is planned with, over a day. */
	room: { name: string; climate: Climate; hasHygrometer: boolean }
	/** Dried pieces for who misses it; absent: it has none that would help, or they could not be dry in time. */
	makeUp?: MakeUp
	/** Of which the class has fewer than students. */
	sharedTools: string[]
	/** Of who misses it, minutes at home and with the instructor. */
	wayBack: { homeMinutes: number; otherMinutes: number }
	/** What its trays are forecast with in other air. */
	waitsInAir: WaitInAir[]
}

/** @throws {NotFoundError} it is none */
export function readRunKey({ courseId, session }: { courseId: string; session: string }): RunKey {
	return { courseId: readId(courseId), session: readId(session) }
}

/**
 * @param session - from 1
 * @returns undefined: the course has no plan
 * @throws {NotFoundError} it has no such session
 */
export async function readRun(studio: Studio, course: StoredCourse, session: number): Promise<RunPage | undefined> {
	const own = course.sessions[session - 1]
	if (!own) throw new NotFoundError('The course has no such session.')
	const { current, known, told } = await readAsOpened(studio, course, session)
	if (!told) return undefined
	const plan = toRunPlan(told.story, session - 1)
	const { compiled, plan: laid } = current.coursePlan
	if (!laid) return undefined
	const { tasks } = compiled
	const { story } = told
	const makeUp = listMakeUps(compiled, current.designs, story, course.sessions).find((own) => own.session === session)
	const { homeMinutes, otherMinutes } = findWayBack(compiled, current.designs, story, session - 1)
	const tools = current.designs.flatMap(({ design }) => design.steps.flatMap((step) => step.tools))
	return {
		...{ studioId: studio.id, courseId: course.id, courseName: course.name, session, plan, known },
		planId: current.planId,
		problem: {
			compiled: { instance: compiled.instance, tasks, arcs: compiled.arcs },
			plan: laid,
			pins: resolvePins(current.coursePlan.course, compiled).pins,
		},
		sessionNames: course.sessions.map(({ startMin }, s) => sessionName(startMin, s + 1)),
		...(makeUp && { makeUp }),
		sharedTools: (current.kit?.tools ?? []).filter(isShared).map(({ tool }) => tool),
		wayBack: { homeMinutes, otherMinutes },
		room: await roomOfSession(studio, own.roomId),
		waitsInAir: describeWaits(plan, { course, designs: current.designs, compiled, terms: current.terms }),
		script: writeScript({
			...{ course, designs: current.designs, compiled, plan: laid, owned: ownedToolsOf(current.stock, tools) },
			levels: current.roster.map(({ level }) => level),
			speeds: await readSpeeds(studio, current.roster),
		}),
		sessionName: sessionName(own.startMin, session),
		sessionCount: course.sessions.length,
		timeZone: studio.timeZone,
		cards: Object.fromEntries(plan.entries.map((entry) => [entry.id, makeCard(entry, current)])),
		batchNames: Object.fromEntries(
			plan.batches.map(({ id }) => [id, nameOfTask(tasks[id.slice(0, id.lastIndexOf('@'))])]),
		),
		students: Array.from({ length: course.studentCount }, (_, n) => current.roster[n]?.name ?? `Place ${n + 1}`),
	}
}

async function roomOfSession(studio: Studio, roomId: number | undefined): Promise<RunPage['room']> {
	const places = await listPlaces(studio.id)
	const { id, name, climate } = roomOf({ places }, roomId)
	return { name, climate, hasHygrometer: places.some((place) => place.id === id && place.sensor !== 'none') }
}

/** A session with its events, as it was taught. */
export interface TaughtSession {
	plan: RunPlan
	events: KnownEvents['events']
	designs: CurrentKit['designs']
	compiled: CurrentKit['coursePlan']['compiled']
	/** That the plan was made with. */
	terms: PlanTerms
}

/** @returns undefined: the course has no plan */
export async function readTaught(
	studio: Studio,
	course: StoredCourse,
	session: number,
): Promise<TaughtSession | undefined> {
	const { current, known, told } = await readAsOpened(studio, course, session)
	if (!told) return undefined
	const { designs, coursePlan } = current
	const { compiled, terms } = coursePlan
	return { plan: toRunPlan(told.story, session - 1), events: known.events, designs, compiled, terms }
}

async function readAsOpened(studio: Studio, course: StoredCourse, session: number) {
	const [newest, known] = await Promise.all([
		readKit(studio, course),
		readRunEvents(studio.id, { courseId: course.id, session }, 0),
	])
	const current = await asOpened(studio, newest, known)
	return { current, known, told: toldPlan(current) }
}

/** A session goes on by the plan that it was opened with, whatever has become of the course's since. */
async function asOpened(studio: Studio, newest: CurrentKit, { events }: KnownEvents): Promise<CurrentKit> {
	const opening = countingEvents(mergeEvents(events)).find((event) => event.type === 'opened')
	const planId = opening?.type === 'opened' ? opening.planId : undefined
	if (planId === undefined || planId === newest.planId) return newest
	try {
		const { document } = await getPlan(studio.id, newest.course.id, planId)
		const designs = resolveCourse(document.course, newest.documents, document.terms)
		return { ...newest, designs, coursePlan: document, planId }
	} catch (error) {
		// Old plans are forgotten some day: then the newest one tells the most.
		if (error instanceof NotFoundError) return newest
		throw error
	}
}

function makeCard({ kind, source }: RunEntry, current: CurrentKit): RunCard {
	if (kind === 'break' || !source) return { over: '', title: 'Tea', sentence: '', out: [], cautions: [] }
	if (source.type === 'demo')
		return { over: 'You show', title: source.label, sentence: 'Everybody looks.', out: [], cautions: [] }
	const { design, steps } = stepsOf(source, current)
	const part = design?.parts.find(({ of }) => steps.some((step) => step.part === of))
	const hazards = [...new Set(steps.flatMap(hazardsOfStep))]
	return {
		over: `${source.partName}, ${piecesWords(source, source.pieceCount)} each`,
		title: source.label,
		sentence: source.sentence,
		out: [...new Set(steps.flatMap(({ tools }) => tools))],
		cautions: hazards.map((hazard) => CAUTION_OF[hazard].text),
		...(part && { figure: pieceFigure(part.form, part.name, part.tint) }),
	}
}

function stepsOf(
	source: StepSource,
	{ designs }: CurrentKit,
): { design: ResolvedDesign | undefined; steps: ResolvedStep[] } {
	const designOf = (id: string) => designs.find((item) => item.design.id === id)?.design
	const steps = worksOfTask(source).flatMap(({ designId, stepIds }) => {
		return designOf(designId)?.steps.filter(({ id }) => stepIds.includes(id)) ?? []
	})
	return { design: designOf(source.designId), steps }
}
