import type { Dayjs } from 'dayjs'
import { type FocusEvent, type KeyboardEvent, useEffect, useMemo, useRef } from 'react'

/**
 * What is typed into a picker counts as soon as it is left or sent with Enter. By itself a picker takes it only when
 * its panel closes, forgets it where it is drawn anew with another object for the same value, and cannot read the
 * words in which it shows a day.
 * @param field - What it holds now (empty for nothing), the two ways between that and the picker's value, how typed
 *   text is read, and who is told of a new value, once, whichever of picker and text was first.
 */
export function useTypedText(field: {
	held: string
	toValue: (held: string) => Dayjs | null
	format: string
	read: (text: string) => string | undefined
	give: (value: string) => void
}) {
	const { held, toValue, format, read, give } = field
	// One object as long as it is one value.
	const value = useMemo(() => toValue(held), [held, toValue])
	/** Told since the field was entered, or since it holds something else. */
	const told = useRef<string>(undefined)
	useEffect(() => {
		told.current = undefined
	}, [held])
	const tell = (value: string) => {
		if (value === told.current) return
		told.current = value
		give(value)
	}
	const take = (target: EventTarget) => {
		if (!(target instanceof HTMLInputElement)) return
		const typed = read(target.value)
		if (typed !== undefined && typed !== held) tell(typed)
	}
	return {
		value,
		tell: (chosen: Dayjs | null) => tell(chosen?.format(format) ?? ''),
		inputProps: {
			onFocus: () => {
				told.current = undefined
			},
			onBlur: (event: FocusEvent<HTMLElement>) => take(event.target),
			onKeyDown: (event: KeyboardEvent<HTMLElement>) => {
				if (event.key === 'Enter') take(event.target)
			},
		},
	}
}
