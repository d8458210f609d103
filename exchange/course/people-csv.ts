/** The people of a course as CSV, out and in. */
import { PACES, type Pace } from '../../core/course/course'
import { ALLERGENS, type Allergen } from '../../core/vocabulary/allergen'
import { DIETS, type Diet, type Student } from '../../core/kit/student'
import { fromCsv, toCsv, type BadRow } from '../csv'

export function peopleCsv(students: readonly Student[]): string {
	const heads = { name: '', level: '', 'left-handed': '', avoids: '', diet: '', child: '', notes: '' }
	const rows = students.map(({ name, level, isLeftHanded, avoids, diet, isChild, notes }) => ({
		...heads,
		name,
		level: level ?? '',
		'left-handed': isLeftHanded ? 'yes' : 'no',
		avoids: avoids.join('; '),
		diet,
		child: isChild ? 'yes' : 'no',
		notes,
	}))
	return toCsv(rows.length > 0 ? rows : [heads])
}

/** People and the lines that make no sense; columns that are missing are taken as usual. */
export function readPeopleCsv(text: string): { students: Student[]; bad: BadRow[] } {
	const students: Student[] = []
	const bad: BadRow[] = []
	for (const { line, values } of fromCsv(text)) {
		const name = values['name'] ?? ''
		const level = (values['level'] ?? '').toLowerCase()
		const diet = (values['diet'] ?? '').toLowerCase() || 'any'
		const avoids = (values['avoids'] ?? '')
			.toLowerCase()
			.split(/\s*[;,]\s*/)
			.filter(Boolean)
		const unknown = avoids.filter((one) => !(ALLERGENS as readonly string[]).includes(one))
		const problems = [
			...(name === '' ? ['no name'] : []),
			...(name.length > 80 ? ['a name of more than 80 characters'] : []),
			...(level !== '' && !(PACES as readonly string[]).includes(level) ? [`"${level}" is no level`] : []),
			...((DIETS as readonly string[]).includes(diet) ? [] : [`"${diet}" is no diet`]),
			...unknown.map((one) => `"${one}" is not among ${ALLERGENS.join(', ')}`),
		]
		if (problems.length > 0) {
			bad.push({ line, problem: problems.join('; ') })
			continue
		}
		students.push({
			name,
			...(level !== '' && { level: level as Pace }),
			isLeftHanded: isYes(values['left-handed']),
			avoids: avoids as Allergen[],
			diet: diet as Diet,
			isChild: isYes(values['child']),
			notes: (values['notes'] ?? '').slice(0, 300),
		})
	}
	return { students, bad }
}

function isYes(word = ''): boolean {
	return /^(y|yes|true|1|x)$/i.test(word)
}
