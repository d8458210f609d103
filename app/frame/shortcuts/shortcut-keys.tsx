/** Listens to our keys, and lists them. */
import { QuestionCircleOutlined } from '@ant-design/icons'
import { Button, Modal, Switch } from 'antd'
import { useEffect, useEffectEvent, useState } from 'react'
import { useLocation, useNavigate } from 'react-router'
import { readShortcut, SHORTCUT_GROUPS } from './shortcuts'
import './shortcuts.css'

/** Who types by voice, or leans on keys, turns the single ones off. */
const OFF = 'calycine single keys off'

/** A question mark in the head that lists our keys; and the ear for them. */
export function ShortcutKeys() {
	const [isOpen, setOpen] = useState(false)
	const [isOn, setOn] = useState(true)
	const navigate = useNavigate()
	const { pathname } = useLocation()
	const open = () => {
		setOn(localStorage.getItem(OFF) === null)
		setOpen(true)
	}
	const press = useEffectEvent((event: KeyboardEvent) => {
		if (event.defaultPrevented || localStorage.getItem(OFF) !== null) return
		const { key, ctrlKey, altKey, metaKey, target } = event
		const meant = readShortcut({ key, isModified: ctrlKey || altKey || metaKey, isTyping: isField(target) }, pathname)
		if (!meant) return
		event.preventDefault()
		if (meant === 'list') open()
		else void navigate(meant.to)
	})
	useEffect(() => {
		const listen = (event: KeyboardEvent) => press(event)
		window.addEventListener('keydown', listen)
		return () => window.removeEventListener('keydown', listen)
	}, [])
	const turn = (on: boolean) => {
		setOn(on)
		if (on) localStorage.removeItem(OFF)
		else localStorage.setItem(OFF, '')
	}
	return (
		<>
			<Button type="text" icon={<QuestionCircleOutlined aria-hidden />} aria-label="Keys" onClick={open} />
			<Modal open={isOpen} title="Keys" footer={null} width={640} onCancel={() => setOpen(false)}>
				<div className="shortcut-groups">
					{SHORTCUT_GROUPS.map(({ head, shortcuts }) => (
						<section key={head}>
							<h3>{head}</h3>
							<dl>
								{shortcuts.map(({ keys, words }) => (
									<div key={keys}>
										<dt>
											<kbd>{keys}</kbd>
										</dt>
										<dd>{words}</dd>
									</div>
								))}
							</dl>
						</section>
					))}
				</div>
				<label className="row">
					<Switch checked={isOn} onChange={turn} /> Single keys lead to pages, on this device
				</label>
			</Modal>
		</>
	)
}

/** Where letters are typed, or a list takes them to search. */
function isField(target: EventTarget | null): boolean {
	if (!(target instanceof HTMLElement)) return false
	if (target.isContentEditable || target.closest('input, textarea, select, [role=combobox]') !== null) return true
	// One that has just been closed keeps the focus until the next picture is drawn: it takes no letters any more.
	return (target.closest('[role=dialog]')?.getClientRects().length ?? 0) > 0
}
