import { ConfigProvider } from 'antd'
import { useMayChange } from './use-may'

/** What changes something, on a page where others only ask. */
export function Changing({ children }: { children: React.ReactNode }) {
	return <ConfigProvider componentDisabled={!useMayChange()}>{children}</ConfigProvider>
}
