import { useEffect, useMemo } from 'react'

/** An address for what exists nowhere but on this page, for as long as it is shown. */
export function useObjectAddress(blob: Blob | undefined): string | undefined {
	const address = useMemo(() => (blob ? URL.createObjectURL(blob) : undefined), [blob])
	useEffect(() => {
		return () => {
			if (address !== undefined) URL.revokeObjectURL(address)
		}
	}, [address])
	return address
}
