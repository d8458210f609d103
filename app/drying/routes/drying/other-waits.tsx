import { dampWindow, FILM_SPREAD, FILM_WAITS, filmWaitSec } from '../../../../core/drying/film-waits'
import { warnOfFridge } from '../../../../core/drying/fridge'
import { dewPointC } from '../../../../core/drying/humid-air'
import {
	diffusivityAt,
	equilibriumMoisture,
	PASTE_TERMS,
	SUGAR_DISSOLVES_AT,
} from '../../../../core/drying/paste-terms'
import { airAtStart, toQuestion } from '../../ask-drying'
import { toExtent } from '../../../../core/drying/drying-piece'
import { PlainTable } from '../../../shared/native/plain-table'
import { Disclosure } from '../../../shared/native/disclosure'
import { FILM_WORDS, hoursRange } from '../../words/drying'
import type { DryingData } from './load-drying.server'
import type { DryingAddress } from '../../drying-address'

interface AskedProps {
	/** That can be answered. */
	address: DryingAddress
	data: DryingData
}

const FRIDGE_C = 4
/** Below it a time is told in seconds. */
const SHORT_SEC = 90

/** Waits of the same room that are not the paste's, and a warning of the fridge. */
export function OtherWaits({ address, data }: AskedProps) {
	const air = airAtStart(address, data.known)
	const fridge = warnOfFridge(FRIDGE_C, air, volumePerArea(address, data))
	return (
		<section className="sheet" aria-labelledby="others-head">
			<h2 id="others-head">Paint, glaze and glue here</h2>
			<PlainTable
				label="Waits of films"
				hasHead={false}
				rows={FILM_WAITS.map((film) => ({ film, seconds: filmWaitSec(film, air, PASTE_TERMS[address.paste]) }))}
				keyOf={({ film }) => film}
				columns={[
					{ name: 'What', cell: ({ film }) => FILM_WORDS[film] },
					{ name: 'Dry after', isNumber: true, cell: ({ seconds }) => filmWords(seconds) },
				]}
			/>
			<DampPaint air={air} />
			<p className="caution">
				{fridge.seconds > 0
					? `Out of the fridge (4 °C) this piece ${fridge.isWetted ? 'is wetted by the air and ' : ''}takes up water for ${shortTime(fridge.seconds)}, until it is ${fridge.safeAtC.toFixed(0)} °C warm. Better not; if it was there, warm it up inside its closed box.`
					: 'The air is so dry that a piece out of the fridge takes up no water here. Better not all the same.'}{' '}
				A whole cake takes hours.
			</p>
			<Disclosure head="How this is reckoned">
				<Physics address={address} data={data} />
			</Disclosure>
		</section>
	)
}

/** When dust takes to paint that is nearly dry. */
function DampPaint({ air }: { air: ReturnType<typeof airAtStart> }) {
	const damp = dampWindow(air)
	if (!damp) return null
	const { sureFromSec, sureToSec } = damp
	return (
		<p>
			Dust into colour let down in strong alcohol while it is slightly damp:{' '}
			<b>{minuteRange(sureFromSec, sureToSec)}</b> after painting.
		</p>
	)
}

/** '1.5 to 2.4 min', or '32 to 49 s'. */
function minuteRange(fromSec: number, toSec: number): string {
	if (toSec < SHORT_SEC) return `${Math.round(fromSec)} to ${Math.round(toSec)} s`
	return `${(fromSec / 60).toFixed(1)} to ${(toSec / 60).toFixed(1)} min`
}

function filmWords(seconds: number | undefined): string {
	if (seconds === undefined) return 'never in this air'
	return hoursRange(seconds / 3600, (seconds / 3600) * FILM_SPREAD)
}

function shortTime(seconds: number): string {
	return seconds < SHORT_SEC ? `${Math.round(seconds)} s` : `${Math.round(seconds / 60)} min`
}

function volumePerArea(address: DryingAddress, data: DryingData): number {
	const { body } = toQuestion(address, data.known).piece
	const { innerM, outerM, exponent } = toExtent(body)
	const depth = (outerM - innerM) / (exponent + 1)
	return body.type === 'sheet' && body.back === 'free' ? depth / 2 : depth
}

function Physics({ address, data }: AskedProps) {
	const { temperatureC, humidity } = airAtStart(address, data.known)
	const paste = PASTE_TERMS[address.paste]
	return (
		<div className="stack small">
			<p>
				Water creeps through the paste to its face (diffusion) and leaves through a thin layer of air. Thin petals wait
				for the air, thick pieces for the paste. A stage is reached when the outer fifth of a millimetre (of a petal:
				both sides together; of a heavy piece more) is dry enough; “dry all through” means everywhere, “as dry as it
				gets here” is twice as deep and depends on the room.
			</p>
			<dl className="figures">
				<dt>Diffusivity in the paste at {temperatureC.toFixed(0)} °C</dt>
				<dd>{(diffusivityAt(paste, temperatureC) * 1e12).toFixed(1)} · 10⁻¹² m²/s</dd>
				<dt>Water when fresh, kg per kg of solids</dt>
				<dd>{(100 * paste.freshMoisture).toFixed(1)} %</dd>
				<dt>Water it would keep for ever in {Math.round(100 * humidity)} % humidity</dt>
				<dd>
					{humidity < SUGAR_DISSOLVES_AT
						? `${(100 * equilibriumMoisture(paste, humidity)).toFixed(1)} %`
						: 'it dissolves'}
				</dd>
				<dt>Dew point</dt>
				<dd>{dewPointC(temperatureC, humidity).toFixed(1)} °C</dd>
			</dl>
			<p>
				Calibrated on what makers say, not on weighings: 48 of 50 statements are met, each as “nearly always by then” or
				“nearly always not yet”. Note what you see, and it learns. Meant for 12–32 °C and sheets of 0.3–4 mm. Shrinking,
				cracks and pieces in a closed mould are not in it.
			</p>
		</div>
	)
}
