/** `npm run -s design -- file.json [--choose axis=option ...]`: validates a design and prints it resolved, as JSON. */
import { allergensOf } from '../core/design/allergens'
import { cautionsOf } from '../core/design/cautions'
import { measureDesign } from '../core/design/design-figures'
import { measureRings } from '../core/design/flower-geometry'
import { resolveDesign, type Picks, type ResolvedDesign } from '../core/design/resolve-design'
import { pasteMassG } from '../core/materials/piece-mass'
import { wireDiameterMm } from '../core/materials/wire-gauge'
import { readDesign } from '../exchange/read-document'
import { runDoor } from './json-door'

const { files, picks } = readWords(process.argv.slice(2))

runDoor('design', ['file.json'], ([document]) => describe(resolveDesign(readDesign(document), picks)), {
	words: () => files,
})

function readWords(words: readonly string[]): { files: string[]; picks: Picks } {
	const files: string[] = []
	const picks: Picks = {}
	for (let w = 0; w < words.length; w++) {
		const word = words[w] ?? ''
		if (word !== '--choose') files.push(word)
		else {
			const [axis, option, ...rest] = (words[++w] ?? '').split('=')
			// Told by the door itself, as wrong use.
			if (!axis || !option || rest.length > 0) files.push('--choose needs axis=option', '')
			else picks[axis] = option
		}
	}
	return { files, picks }
}

function describe(design: ResolvedDesign) {
	const { parts, steps, layers } = design
	const figures = measureDesign(design, 'swg')
	return {
		id: design.id,
		name: design.name,
		picks: design.picks,
		figures,
		parts: parts.map((part) => ({
			...part,
			pasteGEach: pasteMassG(part.form),
			pasteG: part.piecesPerFlower * pasteMassG(part.form),
			...(part.wire && { wire: { ...part.wire, diameterMm: wireDiameterMm(part.wire.gauge, 'swg') } }),
		})),
		steps,
		layers,
		rings: measureRings(parts, layers),
		allergens: allergensOf(design),
		cautions: cautionsOf(design),
	}
}
