import type { TaskSource } from '../../../core/plan/compile/compiled-course'

/** 'inner petals: dust', or 'taping a layer' for what is shown. */
export function nameOfTask(source: TaskSource | undefined): string {
	if (!source) return ''
	if (source.type === 'demo') return source.label.toLowerCase()
	return `${source.partName.toLowerCase()}: ${source.label.toLowerCase()}`
}
