import { Button, Modal } from 'antd'
import { useState } from 'react'
import { Form } from 'react-router'
import { clearDevice, readUnsent, sendUnsent, type Unsent } from '../run/offline/leave-device'
import { toSavedClass } from '../run/offline/saved-class'
import { saveJson } from '../shared/save-json'
import { count } from '../shared/words/times'

/** Leaves the studio and the device; what of a class is only on this device is sent or saved first. */
export function SignOut({ userName, studioId }: { userName: string; studioId: number }) {
	const [unsent, setUnsent] = useState<Unsent>()
	const [trouble, setTrouble] = useState<string>()
	/** The device is cleared when she is out: who is not stays as she was, with all that a class needs. */
	const leaveAfter = async (work: () => Promise<void> | void) => {
		try {
			await work()
			const answer = await fetch('/sign-out', { method: 'POST', redirect: 'manual' })
			if (answer.type !== 'opaqueredirect') throw new Error(`the server answered ${answer.status}`)
		} catch {
			setTrouble('The server was not reached: you stay signed in until there is a network.')
			return
		}
		await clearDevice(studioId)
		location.assign('/sign-in')
	}
	const ask = async () => {
		setTrouble(undefined)
		const found = await readUnsent(studioId)
		setUnsent(found)
		if (found.events.size === 0 && found.photos.length === 0) await leaveAfter(() => undefined)
	}
	const send = () => leaveAfter(() => (unsent ? sendUnsent(studioId, unsent) : undefined))
	const save = () => leaveAfter(async () => unsent && saveJson('class.json', await toSavedClass(unsent)))
	const stay = () => {
		setUnsent(undefined)
		setTrouble(undefined)
	}
	const presses = [...(unsent?.events.values() ?? []), unsent?.photos ?? []].flat().length
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
				open={presses > 0 || trouble !== undefined}
				title={presses > 0 ? `Only on this device: ${count(presses, 'press', 'presses')} of a class` : 'Not signed out'}
				onCancel={stay}
				footer={[
					<Button key="stay" onClick={stay}>
						Stay
					</Button>,
					presses > 0 && (
						<Button key="save" onClick={() => void save()}>
							Save a file and sign out
						</Button>
					),
					presses > 0 && (
						<Button key="send" type="primary" onClick={() => void send()}>
							Send and sign out
						</Button>
					),
				]}
			>
				{presses > 0 && <p>Signing out clears this device. Send them to your studio first, or save them as a file.</p>}
				{trouble && (
					<p className="alert" role="alert">
						{trouble}
					</p>
				)}
			</Modal>
		</Form>
	)
}
