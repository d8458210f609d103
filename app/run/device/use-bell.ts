import { useEffect, useRef, useState } from 'react'

export interface Bell {
	isOn: boolean
	/** By a press: browsers let a page be heard only then. */
	turn: () => void
	ring: () => void
}

const PITCH_HZ = 660
const LOUDNESS = 0.25
const RING_S = 0.6

/** A quiet bell, off until it is switched on. */
export function useBell(): Bell {
	const audio = useRef<AudioContext>(undefined)
	const [isOn, setIsOn] = useState(false)
	useEffect(() => () => void audio.current?.close(), [])
	const ring = () => {
		const context = audio.current
		if (!context) return
		const [tone, volume] = [context.createOscillator(), context.createGain()]
		tone.frequency.value = PITCH_HZ
		volume.gain.setValueAtTime(LOUDNESS, context.currentTime)
		volume.gain.exponentialRampToValueAtTime(0.001, context.currentTime + RING_S)
		tone.connect(volume).connect(context.destination)
		tone.start()
		tone.stop(context.currentTime + RING_S)
	}
	const turn = () => {
		audio.current ??= new AudioContext()
		void audio.current.resume()
		if (!isOn) ring()
		setIsOn(!isOn)
	}
	return { isOn, turn, ring }
}
