/** Past classes as CSV: out and in without loss, and what makes no sense is said by line. */
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { PACES } from '../../core/course/course'
import type { SeenInClass } from '../../core/learn/seen'
import { logCsv, readLogCsv } from '../../exchange/learning/log-csv'

/** What a cell brings back as it was: no blanks around it. */
const word = fc.stringMatching(/^[A-Za-zÀ-ž0-9=+@'";,|/: -]{1,30}$/).map((text) => `x${text.trim()}`)
const day = fc.constantFrom('2026-01-08', '2025-12-31', '2026-02-28')
const head = (id: string) => fc.record({ id: fc.constant(id), classId: word, date: day })

function seen(id: string): fc.Arbitrary<SeenInClass> {
	const minutes = fc
		.tuple(
			head(id),
			word,
			fc.option(word),
			fc.constantFrom(...PACES),
			fc.integer({ min: 1, max: 40 }),
			fc.double({ min: 1, max: 90, noNaN: true }),
			fc.double({ min: 0, max: 90, noNaN: true }),
			fc.constantFrom('exact', 'wider', 'cut off'),
			word,
		)
		.map(([own, stepName, technique, level, studentCount, statedMinutes, from, how, step]): SeenInClass => {
			const to = how === 'exact' ? Math.max(from, 0.5) : how === 'wider' ? from + 7 : Infinity
			const taught = { level, step, statedMinutes, studentCount, doneCount: Math.ceil(0.8 * studentCount) }
			return {
				...{ kind: 'minutes', className: 'A class', stepName },
				...(technique !== null && { techniqueName: technique }),
				observation: {
					...{ ...own, ...taught, from: how === 'exact' ? to : from, to },
					...(technique !== null && { technique: `id of ${technique}` }),
				},
			}
		})
	const breakage = fc
		.tuple(head(id), word, fc.constantFrom(...PACES), fc.integer({ min: 0, max: 90 }), fc.integer({ min: 0, max: 9 }))
		.map(([own, partName, level, more, broken]): SeenInClass => {
			const part = { part: `p/${partName}`, partName, level, stated: 0.08, made: broken + more, broken }
			return { kind: 'breakage', className: 'A class', observation: { ...own, ...part } }
		})
	const paste = fc
		.tuple(head(id), word, fc.option(word), fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 900 }))
		.map(([own, name, kind, reckonedG, usedG]): SeenInClass => {
			const observation = { ...own, paste: name, ...(kind !== null && { kind }), reckonedG, usedG }
			return { kind: 'paste', className: 'A class', observation }
		})
	const wires = fc
		.tuple(head(id), word, fc.integer({ min: 0, max: 90 }), fc.integer({ min: 1, max: 900 }))
		.map(([own, wire, back, used]): SeenInClass => {
			return { kind: 'wires', className: 'A class', observation: { ...own, wire, handed: used + back, used } }
		})
	const queue = fc
		.tuple(head(id), word, fc.integer({ min: 0, max: 40 }), fc.integer({ min: 1, max: 40 }))
		.map(([own, tool, waiting, more]): SeenInClass => {
			return {
				kind: 'queue',
				className: 'A class',
				observation: { ...own, tool, waiting, studentCount: waiting + more },
			}
		})
	return fc.oneof(minutes, breakage, paste, wires, queue)
}

test('what goes out comes in again as it was', () => {
	fc.assert(
		fc.property(fc.tuple(seen('1'), seen('2'), seen('3')), (all) => {
			expect(readLogCsv(logCsv(all))).toEqual({ seen: all, bad: [] })
		}),
	)
})

describe('a sheet that somebody has typed', () => {
	const HEAD = 'what;class;date;level;name;stated;students;from;to\r\n'

	test('needs no keys: a step is found by its name, with its technique', () => {
		const text = `${HEAD}minutes;Thursdays;2026-01-08;beginners;petals: cut;20;8;25;25`
		const { seen: all, bad } = readLogCsv(text, (name) =>
			name === 'petals: cut' ? { key: 'magnolia/cut', technique: { id: 'cutting', name: 'Cutting' } } : undefined,
		)
		expect(bad).toEqual([])
		expect(all).toMatchObject([
			{
				...{ kind: 'minutes', className: 'Thursdays', stepName: 'petals: cut', techniqueName: 'Cutting' },
				observation: { step: 'magnolia/cut', technique: 'cutting', doneCount: 8, from: 25, to: 25 },
			},
		])
	})

	test('says of each line that makes no sense what is wrong with it', () => {
		const lines = [
			'minutes;Thursdays;8 January;beginners;petals: cut;20;8;25;25',
			'minutes;Thursdays;2026-01-08;experts;petals: cut;20;8;25;25',
			'minutes;Thursdays;2026-01-08;beginners;petals: cut;20;8;25;20',
			'minutes;Thursdays;2026-01-08;beginners;petals: cut;;8;25;25',
			'glue;Thursdays;2026-01-08;beginners;petals: cut;20;8;25;25',
			'minutes;Thursdays;2026-01-08;beginners;petals: cut;20;8;25;25',
			'minutes;Thursdays;2026-01-08;beginners;petals: cut;20;8;26;26',
		]
		const { seen: all, bad } = readLogCsv(HEAD + lines.join('\r\n'))
		expect(all).toHaveLength(1)
		expect(bad.map(({ line }) => line)).toEqual([2, 3, 4, 5, 6, 8])
		expect(bad[0]!.problem).toContain('8 January')
		expect(bad.at(-1)!.problem).toBe('the same is said twice')
	})
})

test('of wires and queues what cannot be is said, and pastes of two kinds of piece are two lines', () => {
	const text = [
		'what;class;date;name;pieces;students;reckoned;used;waited',
		'wires;Thursdays;2026-01-08;26 gauge white;;;40;41;',
		'wires;Thursdays;2026-01-08;26 gauge white;;;40;3.5;',
		'queue;Thursdays;2026-01-08;ball tool;;6;;;7',
		'paste;Thursdays;2026-01-08;gum paste;leaf;;100;60;',
		'paste;Thursdays;2026-01-08;gum paste;petal;;100;90;',
	].join('\n')
	const { seen: all, bad } = readLogCsv(text)
	expect(bad).toEqual([
		{ line: 2, problem: 'more were used than were handed out' },
		{ line: 3, problem: 'used must be a whole number' },
		{ line: 4, problem: 'more waited than there were' },
	])
	expect(all.map(({ observation }) => 'kind' in observation && observation.kind)).toEqual(['leaf', 'petal'])
})
