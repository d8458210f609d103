import { Button, Modal } from 'antd'
import { useState } from 'react'
import { Form, useSubmit } from 'react-router'
import { clearDevice, readUnsent, sendUnsent, type UnsentEvents } from '../run/offline/leave-device'
import { saveJson } from '../shared/save-json'
import { count } from '../shared/words/times'

/** Leaves the studio and the device; what of a class is only on this device is sent or saved first. */
export function SignOut({ userName }: { userName: string }) {
	const submit = useSubmit()
	const [unsent, setUnsent] = useState<UnsentEvents>()
	const [trouble, setTrouble] = useState<string>()
	const leave = async () => {
		await clearDevice()
		await submit(null, { method: 'post', action: '/sign-out' })
	}
	const ask = async () => {
		const found = await readUnsent()
		if (found.size === 0) await leave()
		else setUnsent(found)
	}
	const send = async () => {
		if (!unsent) return
		try {
			await sendUnsent(unsent)
			await leave()
		} catch {
			setTrouble('The server was not reached: save a file, or stay signed in until there is a network.')
		}
	}
	const save = async () => {
		saveJson('class-events.json', Object.fromEntries(unsent ?? []))
		await leave()
	}
	const presses = [...(unsent?.values() ?? [])].flat().length
	return (
		<Form
			method="post"
			action="/sign-out"
			onSubmit={(event) => {
				event.preventDefault()
				void ask()
			}}
		>
			<Button type="text" htmlType="submit" title={`Signed in as ${userName}`}>
				Sign out
			</Button>
			<Modal
				open={unsent !== undefined}
				title={`Only on this device: ${count(presses, 'press', 'presses')} of a class`}
				onCancel={() => setUnsent(undefined)}
				footer={[
					<Button key="stay" onClick={() => setUnsent(undefined)}>
						Stay
					</Button>,
					<Button key="save" onClick={() => void save()}>
						Save a file and sign out
					</Button>,
					<Button key="send" type="primary" onClick={() => void send()}>
						Send and sign out
					</Button>,
				]}
			>
				<p>Signing out clears this device. Send them to your studio first, or save them as a file.</p>
				{trouble && (
					<p className="alert" role="alert">
						{trouble}
					</p>
				)}
			</Modal>
		</Form>
	)
}
