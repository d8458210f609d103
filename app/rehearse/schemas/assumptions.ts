/** What a rehearsal assumes, as its address says it. */
import { number, object, string, ValidationError, type InferType } from 'yup'
import { PACES, type Pace } from '../../../core/course/course'
import { USUAL_TERMS, type RehearsalTerms } from '../../../core/rehearse/script'
import type { FieldProblem } from '../../../core/errors'

const percent = (usual: number) =>
	number()
		.typeError('A number')
		.min(0, 'At least 0')
		.max(100, 'At most 100')
		.default(Math.round(100 * usual))

export const assumptionsSchema = object({
	helpers: number().typeError('A number').integer('A whole number').min(1, 'At least 1').max(6, 'At most 6').default(1),
	most: percent(USUAL_TERMS.mostShare).min(50, 'At least 50'),
	patience: number().typeError('A number').min(0, 'At least 0').max(60, 'At most 60').default(USUAL_TERMS.showPatience),
	away: percent(USUAL_TERMS.awayChance).max(50, 'At most 50'),
	late: percent(USUAL_TERMS.lateChance),
	/** Of everybody; empty: as is noted. */
	level: string()
		.oneOf(['', ...PACES])
		.default(''),
	/** Who works goes on while something is shown. */
	shows: string().oneOf(['all', 'one']).default('all'),
	dried: number().typeError('A number').integer('A whole number').min(0, 'At least 0').max(40, 'At most 40').default(0),
	/** Absent: nobody leaves anything out. */
	behind: number().typeError('A number').min(0, 'At least 0').max(240, 'At most 240'),
})

export type Assumptions = InferType<typeof assumptionsSchema>

/** What cannot be understood takes its usual value, and is told. */
export function readAssumptions(search: URLSearchParams): { assumptions: Assumptions; problems: FieldProblem[] } {
	const given = Object.fromEntries(
		[...search].filter(([key, value]) => key in assumptionsSchema.fields && value.trim() !== ''),
	)
	try {
		return {
			assumptions: assumptionsSchema.validateSync(given, { abortEarly: false, stripUnknown: true }),
			problems: [],
		}
	} catch (error) {
		if (!(error instanceof ValidationError)) throw error
		const problems = error.inner.map(({ path = '', message }) => ({ path, message }))
		const wrong = new Set(problems.map(({ path }) => path))
		const understood = Object.fromEntries(Object.entries(given).filter(([key]) => !wrong.has(key)))
		return { assumptions: assumptionsSchema.validateSync(understood, { stripUnknown: true }), problems }
	}
}

export function termsOf({
	helpers,
	most,
	patience,
	away,
	late,
	dried,
	shows,
	behind = Infinity,
}: Assumptions): RehearsalTerms {
	return {
		...USUAL_TERMS,
		helperCount: helpers,
		mostShare: most / 100,
		showPatience: patience,
		awayChance: away / 100,
		lateChance: late / 100,
		driedSets: dried,
		showsOneByOne: shows === 'one',
		leaveOutAfter: behind,
	}
}

/** Undefined: as is noted of each, and of the course. */
export function levelOf({ level }: Assumptions): Pace | undefined {
	return PACES.find((pace) => pace === level)
}
