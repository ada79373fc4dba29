import { expose } from 'comlink'
import { calls } from './calls.ts'

expose(calls)
