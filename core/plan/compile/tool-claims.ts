/** Which tools a step has in the hand, and for how much of each piece's time. */
import type { ResolvedStep } from '../../design/resolve-design'
import type { ToolClaim } from '../../materials/sharing/tool-sharing'
import { usualShare } from '../../materials/sharing/usual-shares'

/** Shares as the design says, or as usual for such a tool; a tool with a share of 0 is never waited for. */
export function claimsOf({ tools, toolShares = {} }: Pick<ResolvedStep, 'tools' | 'toolShares'>): ToolClaim[] {
	return tools.map((tool) => ({ tool, share: toolShares[tool] ?? usualShare(tool) })).filter(({ share }) => share > 0)
}
