import { useEffect, useState } from 'react'
import { useObjectAddress } from '../../../shared/components/use-object-address'
import { RunStore } from '../../device/run-store'

/** A photo of a note: the device's own, where it was taken here, else the studio's. */
export function NotePhoto({ address, id, alt }: { address: string; id: string; alt: string }) {
	const [own, setOwn] = useState<{ blob: Blob | undefined }>()
	useEffect(() => {
		let isOver = false
		const read = async () => {
			const blob = await new RunStore().photo(address, id).catch(() => undefined)
			if (!isOver) setOwn({ blob })
		}
		void read()
		return () => {
			isOver = true
		}
	}, [address, id])
	const local = useObjectAddress(own?.blob)
	return own && <img className="run-photo" src={local ?? `${address}/photos/${id}`} alt={alt} />
}
