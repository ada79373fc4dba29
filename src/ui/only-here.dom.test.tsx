import { expect, test } from '@jest/globals'
import { render, screen } from '@testing-library/react'
import { isOnlyHere, OnlyHere } from './only-here.tsx'

test.each([
  ['http://127.0.0.1:8080/#/demo', true],
  ['http://127.9.0.2/', true],
  ['http://localhost:5173/', true],
  ['http://[::1]:80/', true],
  ['file:///home/veld/index.html', true],
  ['http://boathouse.local:8080/', false],
  ['http://192.168.1.20:8080/', false],
  ['https://127.0.0.1.example/', false],
])('%s is opened here only: %s', (address, expected) => {
  expect(isOnlyHere(address)).toBe(expected)
  render(<OnlyHere address={address} />)
  expect(screen.queryByText(/no phone opens/) !== null).toBe(expected)
})
