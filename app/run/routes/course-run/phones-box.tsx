import { Button, Modal, QRCode } from 'antd'
import { useState } from 'react'
import type { RunPage } from '../../read-run.server'

/** Opens the wall to students' phones: an address to read off, for this evening. */
export function PhonesBox({ page: { courseId, session } }: { page: RunPage }) {
	const [isOpen, setIsOpen] = useState(false)
	const [address, setAddress] = useState<string>()
	const [trouble, setTrouble] = useState<string>()
	const open = async () => {
		setIsOpen(true)
		setTrouble(undefined)
		try {
			const answer = await fetch(`/courses/${courseId}/run/${session}/code`, { method: 'POST', redirect: 'error' })
			if (!answer.ok) throw new Error(`the server answered ${answer.status}`)
			const { code } = (await answer.json()) as { code: string }
			setAddress(`${location.origin}/evening/${code}`)
		} catch {
			setTrouble('A code comes from the server, which was not reached just now.')
		}
	}
	return (
		<>
			<Button onClick={() => void open()}>Phones</Button>
			<Modal open={isOpen} title="On students’ phones" footer={null} onCancel={() => setIsOpen(false)}>
				<p>Whoever opens this sees the wall, for this evening: the step and its minutes, no names.</p>
				{trouble && (
					<p className="alert" role="alert">
						{trouble}
					</p>
				)}
				{address && (
					<div className="run-phones">
						{/* A picture of the address below. */}
						<div aria-hidden="true">
							<QRCode type="svg" value={address} size={240} bordered={false} color="#000000" bgColor="#ffffff" />
						</div>
						<p>{address}</p>
					</div>
				)}
			</Modal>
		</>
	)
}
