import fc from 'fast-check'
import { QueryTypes } from 'sequelize'
import { describe, expect, test } from 'vitest'
import { openDatabase } from '../../db/connection.server'
import { likeWords } from '../../db/like-words'

/** Whether the database finds the words in a text. */
async function finds(search: string, text: string): Promise<boolean> {
	const patterns = likeWords(search)
	const where = patterns.map((_, w) => `:text LIKE :w${w}`).join(' AND ') || '1'
	const replacements = { text, ...Object.fromEntries(patterns.map((pattern, w) => [`w${w}`, pattern])) }
	const [row] = await openDatabase().query<{ isFound: number }>(`SELECT (${where}) AS isFound`, {
		replacements,
		type: QueryTypes.SELECT,
	})
	return Boolean(row?.isFound)
}

describe('words that are sought', () => {
	test.each([
		['', 'anything', true],
		['  ', 'anything', true],
		['rose', 'A Rose in bloom', true],
		['bloom rose', 'A rose in bloom', true],
		['rose lily', 'A rose in bloom', false],
		['100%', '100 petals', false],
		['100%', 'all of it, 100% gum', true],
		['a_b', 'acb', false],
		['a\\b', 'a\\b', true],
	])('%j in %j: %s', async (search, text, isFound) => {
		expect(await finds(search, text)).toBe(isFound)
	})

	test('are found as they stand, whatever signs they have', async () => {
		await fc.assert(
			fc.asyncProperty(fc.stringMatching(/^[a-z%_\\'"]{1,12}$/), async (word) => {
				expect(await finds(word, `before ${word} behind`)).toBe(true)
			}),
			{ numRuns: 50 },
		)
	})

	test('are no more than a person types', () => {
		expect(likeWords('a b c d e f g h i j')).toHaveLength(8)
	})
})
