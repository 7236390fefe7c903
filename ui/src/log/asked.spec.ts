import { expect, it } from 'vitest'
import { askedAsTable } from './asked'

it('asks for the table of what is shown, whatever was typed', () => {
  expect(askedAsTable({ machine: 3, words: 'a&b=c, 50 %', from: undefined })).toBe(
    '/api/log.csv?machine=3&words=a%26b%3Dc%2C+50+%25',
  )
})
