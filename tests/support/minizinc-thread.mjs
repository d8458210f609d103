/**
 * Runs the browser build of the `minizinc` package in a Node worker thread, since its Node build asks for a native
 * program: the few names of a browser worker that it uses are lent to it.
 */
import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import path from 'node:path'
import vm from 'node:vm'
import { parentPort, workerData } from 'node:worker_threads'

const folder = workerData.folder
globalThis.self = globalThis
globalThis.require = createRequire(import.meta.url)
globalThis.__filename = path.join(folder, 'minizinc-worker.js')
globalThis.__dirname = folder
globalThis.postMessage = (message) => parentPort.postMessage(message)
globalThis.addEventListener = (_, listener) => parentPort.on('message', (data) => listener({ data }))
vm.runInThisContext(readFileSync(globalThis.__filename, 'utf8'), { filename: globalThis.__filename })
