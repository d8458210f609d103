/** What the code under test reads from its environment, set in each worker before its tests: a database of its own, too. */
import { inject } from 'vitest'

const workers = inject('databaseUrls')
process.env['CALYCINE_DATABASE_URL'] = workers[Number(process.env['VITEST_POOL_ID']) - 1]
process.env['CALYCINE_SESSION_SECRET'] = 'a secret of the tests'
process.env['CALYCINE_LOG_LEVEL'] = 'silent'
