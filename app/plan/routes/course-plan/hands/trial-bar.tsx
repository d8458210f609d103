import { PushpinOutlined, RedoOutlined, UndoOutlined, ZoomInOutlined, ZoomOutOutlined } from '@ant-design/icons'
import { Button, Popover, Space, Tooltip } from 'antd'
import { useState } from 'react'
import type { CourseEdit } from '../../../../../core/plan/edit/course-edit'
import { editWords, type Named } from '../../../words/pins'
import type { Trial } from '../../../trial/use-trial'
import { PinList } from './pin-list'

interface TrialBarProps {
	trial: Trial
	named: Named
	zoom: number
	onZoom: (zoom: number) => void
	isChanging: boolean
	onChange: () => void
}

/** As far as the clock can be drawn out. */
const ZOOMS = [1, 1.5, 2, 3]

/** Over the picture: back and forth, what is settled, what else can be changed, and how near one looks. */
export function TrialBar({ trial, named, zoom, onZoom, isChanging, onChange }: TrialBarProps) {
	const { log, session } = trial
	const pins = session.course.pins ?? []
	const [isOpen, setOpen] = useState(false)
	const last = log && log.cursor > 0 ? log.edits[log.cursor - 1] : undefined
	const next = log?.edits[log.cursor]
	const at = ZOOMS.indexOf(zoom)
	return (
		<div className="trial-bar no-print" role="toolbar" aria-label="Change the plan by hand">
			<Space.Compact>
				<BackOrForth label="Undo" edit={last} named={named} icon={<UndoOutlined />} onPress={() => session.undo(1)} />
				<BackOrForth label="Redo" edit={next} named={named} icon={<RedoOutlined />} onPress={() => session.undo(-1)} />
			</Space.Compact>
			<Popover
				trigger="click"
				placement="bottomLeft"
				open={isOpen}
				onOpenChange={setOpen}
				content={<PinList pins={pins} named={named} onLift={(pin) => session.edit({ kind: 'lift', pin })} />}
			>
				<Button icon={<PushpinOutlined />}>{pins.length === 0 ? 'Nothing settled' : `${pins.length} settled`}</Button>
			</Popover>
			<Button type={isChanging ? 'primary' : 'default'} aria-expanded={isChanging} onClick={onChange}>
				Try changes
			</Button>
			<Space.Compact className="push">
				<Button
					icon={<ZoomOutOutlined />}
					aria-label="Look from further"
					disabled={at <= 0}
					onClick={() => onZoom(ZOOMS[at - 1] ?? 1)}
				/>
				<Button
					icon={<ZoomInOutlined />}
					aria-label="Look nearer"
					disabled={at >= ZOOMS.length - 1}
					onClick={() => onZoom(ZOOMS[at + 1] ?? zoom)}
				/>
			</Space.Compact>
		</div>
	)
}

/** The zoom after a turn of the wheel or a key. */
export function nextZoom(zoom: number, steps: 1 | -1): number {
	return ZOOMS[Math.max(0, Math.min(ZOOMS.length - 1, ZOOMS.indexOf(zoom) + steps))] ?? zoom
}

function BackOrForth({
	label,
	edit,
	named,
	icon,
	onPress,
}: {
	label: string
	edit: CourseEdit | undefined
	named: Named
	icon: React.ReactNode
	onPress: () => void
}) {
	return (
		<Tooltip title={edit && `${label}: ${editWords(edit, named)}`}>
			<Button icon={icon} disabled={!edit} onClick={onPress}>
				{label}
			</Button>
		</Tooltip>
	)
}
