/** What the code under test reads from its environment, set in each worker before its tests. */
import { inject } from 'vitest'

process.env['CALYCINE_DATABASE_URL'] = inject('databaseUrl')
process.env['CALYCINE_SESSION_SECRET'] = 'a secret of the tests'
process.env['CALYCINE_LOG_LEVEL'] = 'silent'
