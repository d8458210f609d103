import { useEffect, useState } from 'react'
import { useObjectAddress } from '../../../shared/components/use-object-address'
import { RunStore } from '../../device/run-store'

interface NotePhotoProps {
	studioId: number
	/** Of the run. */
	address: string
	id: string
	alt: string
}

/** A photo of a note: the device's own, where it was taken here, else the studio's. */
export function NotePhoto({ studioId, address, id, alt }: NotePhotoProps) {
	const [own, setOwn] = useState<{ blob: Blob | undefined }>()
	useEffect(() => {
		let isOver = false
		const read = async () => {
			const blob = await new RunStore(studioId).photo(address, id).catch(() => undefined)
			if (!isOver) setOwn({ blob })
		}
		void read()
		return () => {
			isOver = true
		}
	}, [studioId, address, id])
	const local = useObjectAddress(own?.blob)
	return own && <img className="run-photo" src={local ?? `${address}/photos/${id}`} alt={alt} />
}
