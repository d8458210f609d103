/** The moment that an app in tests takes for now: it stands still, so that no test depends on the hour in which it runs. */
export const TODAY = '2026-03-02T10:00'
