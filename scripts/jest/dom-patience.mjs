// How long a page may take to show what a test waits for: a busy machine is no fault of the page.
import { jest } from '@jest/globals'
import { configure } from '@testing-library/react'

configure({ asyncUtilTimeout: 10_000 })
jest.setTimeout(60_000)
