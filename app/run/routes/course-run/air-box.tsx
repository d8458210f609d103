import { Button, InputNumber, Modal } from 'antd'
import { useState } from 'react'
import { AIR_LIMITS } from '../../../../core/drying/climate'
import type { Run } from '../../device/use-run'
import type { RunPage } from '../../read-run.server'

/** The air of the room, typed off what hangs on its wall; trays are told in it from then on. */
export function AirBox({ page, run: { desk, state } }: { page: RunPage; run: Run }) {
	const [isOpen, setIsOpen] = useState(false)
	const [temperature, setTemperature] = useState<number | null>(null)
	const [percent, setPercent] = useState<number | null>(null)
	const [isAsked, setIsAsked] = useState(false)
	const isOpened = state.opened !== undefined && state.closed === undefined
	const open = () => {
		setTemperature(null)
		setPercent(null)
		setIsAsked(false)
		setIsOpen(true)
	}
	const keep = () => {
		if (temperature === null || percent === null) {
			setIsAsked(true)
			return
		}
		desk.write({ type: 'reading', temperatureC: temperature, humidity: percent / 100 })
		setIsOpen(false)
	}
	return (
		<>
			<Button disabled={!isOpened} onClick={open}>
				Room air
			</Button>
			<Modal
				open={isOpen}
				title={`The air of ${page.room.name}`}
				okText="Keep it"
				onOk={keep}
				onCancel={() => setIsOpen(false)}
			>
				<div className="row run-air">
					<label>
						Temperature, °C
						<InputNumber
							min={AIR_LIMITS.minC}
							max={AIR_LIMITS.maxC}
							step={0.5}
							value={temperature}
							onChange={setTemperature}
							onPressEnter={keep}
						/>
					</label>
					<label>
						Humidity, %
						<InputNumber
							min={100 * AIR_LIMITS.minHumidity}
							max={100 * AIR_LIMITS.maxHumidity}
							value={percent}
							onChange={setPercent}
							onPressEnter={keep}
						/>
					</label>
				</div>
				{isAsked && (
					<p className="field-problem" role="alert">
						Both are needed: a temperature and a humidity.
					</p>
				)}
			</Modal>
		</>
	)
}
