/** The light and the reach of the screens, by the device or as she likes it; kept with her. */
import { BulbOutlined } from '@ant-design/icons'
import { Button, Popover, Radio } from 'antd'
import { useId, useState } from 'react'
import { useFetcher } from 'react-router'
import type { Look } from '../account/schemas/look'

const DEVICE = 'device'
const LIGHTS = [
	{ value: DEVICE, label: 'as the device' },
	{ value: 'day', label: 'day' },
	{ value: 'night', label: 'night' },
]
const REACHES = [
	{ value: DEVICE, label: 'as the device' },
	{ value: 'desk', label: 'close, for a mouse' },
	{ value: 'touch', label: 'wide, for fingers' },
]

/** A lamp in the head: day or night, for a mouse or for fingers. */
export function LookSwitch({ look: kept }: { look: Look }) {
	const [chosen, setChosen] = useState<Look>()
	const look = chosen ?? kept
	return (
		<Popover trigger="click" placement="bottomRight" content={<LookFields look={look} onChoose={setChosen} />}>
			<Button type="text" icon={<BulbOutlined aria-hidden />} aria-label="Light and size of the screens" />
		</Popover>
	)
}

function LookFields({ look, onChoose }: { look: Look; onChoose: (look: Look) => void }) {
	const fetcher = useFetcher()
	const keep = (changed: Look) => {
		const next = { ...look, ...changed }
		onChoose(next)
		// At once: a class room does not wait for the network.
		for (const name of ['light', 'reach'] as const) {
			if (next[name]) document.documentElement.dataset[name] = next[name]
			else delete document.documentElement.dataset[name]
		}
		void fetcher.submit(JSON.stringify(next), { method: 'post', action: '/look', encType: 'application/json' })
	}
	return (
		<div className="look-fields">
			<Choice label="Light" value={look.light} options={LIGHTS} onChange={(light) => keep({ light } as Look)} />
			<Choice label="Size" value={look.reach} options={REACHES} onChange={(reach) => keep({ reach } as Look)} />
		</div>
	)
}

function Choice({
	label,
	value = DEVICE,
	options,
	onChange,
}: {
	label: string
	value: string | undefined
	options: { value: string; label: string }[]
	onChange: (value: string | undefined) => void
}) {
	const id = useId()
	return (
		<div role="group" aria-labelledby={id}>
			<h2 id={id} className="small">
				{label}
			</h2>
			<Radio.Group
				vertical
				options={options}
				value={value}
				onChange={({ target }) => onChange(target.value === DEVICE ? undefined : (target.value as string))}
			/>
		</div>
	)
}
