import { expose } from 'comlink'
import { fileCalls } from './file-calls.ts'

expose(fileCalls)
