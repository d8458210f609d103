/**
 * What is typed before the page is alive. React knows nothing of it, and the next picture puts each controlled field back
 * to what the server sent; so what was entered is noted here, and entered once more when the page listens.
 */
type Field = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement

/**
 * Stands in the document itself: a form without a method is sent by script alone, and sent by the browser before the
 * scripts have come it would only lose its words.
 */
export const HOLD_BACK = "addEventListener('submit',e=>{if(!e.target.hasAttribute('method'))e.preventDefault()},true)"

const entered = new Map<Field, string | boolean>()

/** To be called before hydration: notes what was entered already, and what will be until the page is alive. */
export function noteEarlyTyping(): void {
	for (const field of document.querySelectorAll<Field>('input, textarea, select'))
		if (differsFromServer(field)) note(field)
	document.addEventListener('input', noteEvent, true)
}

/** To be called once the page is alive: enters again what hydration has put back. */
export function enterEarlyTyping(): void {
	document.removeEventListener('input', noteEvent, true)
	for (const [field, value] of entered) if (field.isConnected) enter(field, value)
	entered.clear()
}

function noteEvent({ target }: Event): void {
	if (isField(target)) note(target)
}

function note(field: Field): void {
	// A file can be chosen by its owner alone, and is not put back either.
	if (field.type !== 'file') entered.set(field, entry(field))
}

function entry(field: Field): string | boolean {
	return isTicked(field) ? field.checked : field.value
}

/** React takes an entry for news only where it differs from the value it last saw: so first the server's, then the entry. */
function enter(field: Field, value: string | boolean): void {
	if (isTicked(field)) {
		if (value === field.defaultChecked) return
		field.checked = field.defaultChecked
		return field.click()
	}
	if (field instanceof HTMLSelectElement) {
		field.value = String(value)
		field.dispatchEvent(new Event('change', { bubbles: true }))
		return
	}
	if (value === field.defaultValue) return
	field.value = field.defaultValue
	// The prototype's setter, because React watches the field's own.
	Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value')?.set?.call(field, value)
	field.dispatchEvent(new Event('input', { bubbles: true }))
}

function differsFromServer(field: Field): boolean {
	if (field instanceof HTMLSelectElement)
		return [...field.options].some(({ selected, defaultSelected }) => selected && !defaultSelected)
	return isTicked(field) ? field.checked !== field.defaultChecked : field.value !== field.defaultValue
}

function isTicked(field: Field): field is HTMLInputElement {
	return field instanceof HTMLInputElement && (field.type === 'checkbox' || field.type === 'radio')
}

function isField(target: EventTarget | null): target is Field {
	return (
		target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement || target instanceof HTMLSelectElement
	)
}
