/** Words to search a column for. */

const MOST_WORDS = 8

/** 'petal 5%' -> ['%petal%', '%5\%%']: patterns of LIKE in which only our own signs stand for anything. */
export function likeWords(search: string): string[] {
	const words = search.split(/\s+/).filter(Boolean).slice(0, MOST_WORDS)
	return words.map((word) => `%${word.replace(/[\\%_]/g, '\\$&')}%`)
}
