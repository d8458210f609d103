/**
 * What a rehearsal plays: the work of a planned course in the order of the plan, with the minutes that it takes one
 * student without waiting for tools, and the rules of the room. Numbers instead of names, so that it plays fast.
 * All moments are clock minutes from the origin of the plan.
 */
import { CLASS_SD, PIECE_CV, STEP_SD, STUDENT_SD, STUDENT_TECHNIQUE_SD, TECHNIQUE_SD } from '../vocabulary/spreads'

/** A tool of which there are fewer than students. */
export interface ScarceTool {
	name: string
	/** Whole, >= 1. */
	count: number
}

export interface ToolTurn {
	/** Index of the tool. */
	tool: number
	/** Of each piece's minutes, in (0, 1]; those of a stretch add up to 1 at most. */
	share: number
}

/** Pieces of one kind, made alike, one after the other. */
export interface Stretch {
	/** Whole, >= 0: of one student, spares included. */
	pieceCount: number
	/** Of each, by a practised adult in the middle of her group, > 0. */
	minutesEach: number
	/** In the order in which each piece needs them, after what needs none. */
	turns: readonly ToolTurn[]
	/** Index of the kind, whose broken pieces are missing later on; absent: nothing breaks here. */
	kind?: number
	/** That one of its pieces breaks here, in [0, 1). */
	breakage: number
	/** To make one again up to here. */
	againMinutes: number
	/** Every piece takes just its minutes. */
	isSteady?: boolean
	/** To change places before it, where a class works in halves. */
	changeMinutes?: number
}

/** What waits for what. */
export interface Wait {
	/** Index of the task that is waited for. */
	from: number
	/** Each piece for those that it is made from. */
	isPiecewise: boolean
	/** Index of how long it dries; absent: it is only an order. */
	drying?: number
	/** Dried pieces may take the place of what is waited for. */
	mayBeDried?: boolean
}

/** How long something dries. */
export type Drying =
	| { kind: 'fixed'; minutes: number }
	| {
			kind: 'lognormal'
			/** By which its luck is known. */
			id: string
			/** Even odds, minutes. */
			median: number
			/** Of the logarithm, of all that is in doubt together. */
			sd: number
			/** The paste whose pace the class shares; absent: none. */
			paste?: string
			/** That the air lets it get there at all, in (0, 1]. */
			airChance: number
			/** Minutes that pass in any case. */
			leastMinutes: number
	  }

/** Work on a task between two pauses of the plan. */
export interface WorkItem {
	kind: 'work'
	/** Index of the task. */
	task: number
	/** Index of the session. */
	session: number
	/** As planned. */
	start: number
	end: number
	/** Before the first piece, by a practised adult, >= 0. */
	fixedMinutes: number
	/** The second half of the class takes them the other way round where `isHalved`. */
	stretches: readonly Stretch[]
	isHalved?: boolean
	/** By which a student, and a class, may be slower than stated; absent: none. */
	technique?: string
	/** How far its minutes hold for a class, learnt: in place of what is in doubt about step and technique; absent: as usual. */
	doubt?: number
	/** Indices of demonstrations that come before it. */
	shows: readonly number[]
	/** Of the task: what it waits for. */
	waits: readonly Wait[]
	/** It is the first of its task. */
	isFirst: boolean
	/** What is left of it may be done at home. */
	mayGoHome: boolean
	/** Index of the extra that it is part of, which may be left out; absent: of none. */
	extra?: number
}

export interface Show {
	/** Index of the session. */
	session: number
	/** As planned. */
	start: number
	minutes: number
	/** So many items of work come before it in the plan. */
	itemsBefore: number
}

export interface PlayedSession {
	open: number
	close: number
	/** Tea, and pauses of the course, in order. */
	pauses: readonly { start: number; minutes: number }[]
	/** Of homework until the next session; 0: none is given. */
	homeMinutes: number
}

export interface Script {
	/** Factor of each student's level on the minutes of a practised adult; its length is the number of students. */
	levels: readonly number[]
	/** Minutes of work between two calls for help, by student; Infinity: never. */
	callMinutes: readonly number[]
	sessions: readonly PlayedSession[]
	shows: readonly Show[]
	/** In the order of the plan. */
	items: readonly WorkItem[]
	/** By task: its id, and when it ends if it is done at home. */
	tasks: readonly { id: string; homeEnd?: number }[]
	/** By kind of piece: without spares and with them, of one student. */
	kinds: readonly { needed: number; made: number }[]
	tools: readonly ScarceTool[]
	/** Of the designs: names of what may be left out. */
	extras: readonly string[]
	dryings: readonly Drying[]
}

/** Rules and spreads of a rehearsal. */
export interface RehearsalTerms {
	/** Any integer: the same one, the same luck. */
	seed: number
	/** Share of the class that must have come so far before something is shown, and that makes an evening end on time. */
	mostShare: number
	/** A demonstration is put off for so long at most. */
	showPatience: number
	/** Who is at work goes on, and is shown it when she comes to it, by whoever is free to help; false: all stop and look. */
	showsOneByOne: boolean
	/** Who help: the instructor, and assistants. */
	helperCount: number
	/** Mean of a help. */
	helpMinutes: number
	/** Of one student at one session. */
	awayChance: number
	lateChance: number
	/** Mean. */
	lateMinutes: number
	/** A step may be begun before its planned minute, in its session. */
	mayBeginEarly: boolean
	/** Who would begin an extra so many minutes after its planned minute leaves it out; Infinity: nobody does. */
	leaveOutAfter: number
	/** Sets of dried pieces on the table for each wait that may be exchanged: each lets one student go on who would wait. */
	driedSets: number
	spreads: RehearsalSpreads
}

export interface RehearsalSpreads {
	student: number
	studentTechnique: number
	/** Standard deviation over mean; exponential: as queueing theory has it. */
	piece: number | 'exponential'
	class: number
	technique: number
	step: number
}

/** From memory: common practice, no source. */
export const USUAL_TERMS: RehearsalTerms = {
	seed: 1,
	mostShare: 0.8,
	showPatience: 5,
	showsOneByOne: false,
	helperCount: 1,
	helpMinutes: 1.5,
	awayChance: 0.05,
	lateChance: 0.1,
	lateMinutes: 8,
	mayBeginEarly: true,
	leaveOutAfter: Infinity,
	driedSets: 0,
	spreads: {
		student: STUDENT_SD,
		studentTechnique: STUDENT_TECHNIQUE_SD,
		piece: PIECE_CV,
		class: CLASS_SD,
		technique: TECHNIQUE_SD,
		step: STEP_SD,
	},
}

/** As the plan has it: nothing is in doubt, nobody calls, nobody is away, and all wait for all. */
export const REPLAY_TERMS: RehearsalTerms = {
	seed: 1,
	mostShare: 1,
	showPatience: Infinity,
	showsOneByOne: false,
	helperCount: 1,
	helpMinutes: 0,
	awayChance: 0,
	lateChance: 0,
	lateMinutes: 0,
	mayBeginEarly: false,
	leaveOutAfter: Infinity,
	driedSets: 0,
	spreads: { student: 0, studentTechnique: 0, piece: 0, class: 0, technique: 0, step: 0 },
}

/** So many of a class of so many, rounded up. */
export function mostOf(mostShare: number, count: number): number {
	return Math.ceil(mostShare * count - 1e-9)
}
