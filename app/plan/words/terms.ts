/** Why a plan is outdated, in words. */
import type { TermDifference } from '../../../core/plan/tell/term-differences'

/** 'the air of Bench room'. */
export function termWords(difference: TermDifference): string {
	return difference.kind === 'place' ? `the air of ${difference.name}` : WORDS[difference.kind]
}

const WORDS: Record<Exclude<TermDifference['kind'], 'place'>, string> = {
	confidence: 'how sure waits are to be',
	'drying notes': 'what has been noted of drying',
	learnt: 'what past classes have taught',
	tools: 'the tools that you count',
	strain: 'how you weigh what strains a class',
	gauge: 'the school of wire gauges',
	zone: 'the time zone',
	course: 'the course or one of its designs',
}
