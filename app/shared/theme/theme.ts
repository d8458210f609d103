/** Tokens of the component library: our palette, type and sizes. The same values stand in tokens.css. */
import type { ThemeConfig } from 'antd'

export const theme: ThemeConfig = {
	hashed: false,
	cssVar: { key: 'calycine', prefix: 'ant' },
	token: {
		colorPrimary: '#7B3B5E',
		colorInfo: '#3E6B52',
		colorSuccess: '#3E6B52',
		colorWarning: '#C8502A',
		colorError: '#B23F1C',
		colorText: '#2A2431',
		colorTextSecondary: '#625B68',
		colorTextPlaceholder: '#6F6876',
		colorTextDescription: '#625B68',
		colorBgBase: '#FFFFFF',
		colorBgLayout: '#FBF8F3',
		colorBorder: '#B9AFA4',
		colorBorderSecondary: '#E6DFD6',
		colorLink: '#7B3B5E',
		fontFamily: "'Figtree Variable', 'Segoe UI', sans-serif",
		fontSize: 15,
		fontSizeSM: 13,
		borderRadius: 10,
		controlHeight: 44,
		controlHeightSM: 36,
		controlOutlineWidth: 3,
		// A dialog that grows loses the press that comes before it has its size, and one whose animation is turned
		// off by the system's setting waits for its end for ever.
		motion: false,
		motionDurationFast: '0.1s',
		motionDurationMid: '0.15s',
		motionDurationSlow: '0.2s',
		wireframe: false,
	},
	components: {
		Button: { primaryShadow: 'none', defaultShadow: 'none', dangerShadow: 'none', fontWeight: 600, borderRadius: 22 },
		Form: { labelColor: '#2A2431', itemMarginBottom: 16 },
	},
}
