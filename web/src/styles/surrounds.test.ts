/// <reference types="node" />
import { readFileSync } from 'node:fs'
import { expect, test } from 'vitest'

/** What is written and drawn in each surround can be told from what is behind it (WCAG 2.2, 1.4.3 and 1.4.11). */
const sheet = readFileSync('src/styles/main.css', 'utf8')
const surrounds = [
  '\\:root',
  "\\:root\\[data-surround='mid'\\]",
  "\\:root\\[data-surround='dark'\\]",
]

function values(surround: string): Record<string, number> {
  const [, block] = sheet.match(new RegExp(`^${surround} \\{([^}]*)\\}`, 'm'))!
  const found = [...block!.matchAll(/--(\w+): #([0-9a-f]{2})\2\2;/g)]
  return Object.fromEntries(found.map(([, name, grey]) => [name, parseInt(grey!, 16)]))
}
function luminance(grey: number): number {
  const share = grey / 255
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4
}
function contrast(one: number, other: number): number {
  const [low, high] = [luminance(one), luminance(other)].sort((a, b) => a - b)
  return (high! + 0.05) / (low! + 0.05)
}

test.each(surrounds)('%s', (surround) => {
  const grey = values(surround)
  expect(Object.keys(grey)).toHaveLength(9)
  for (const behind of ['room', 'wall', 'sheet']) {
    for (const words of ['ink', 'soft'])
      expect(contrast(grey[words]!, grey[behind]!), `${words} on ${behind}`).toBeGreaterThan(4.5)
    expect(contrast(grey.edge!, grey[behind]!), `edge on ${behind}`).toBeGreaterThan(3)
  }
  expect(contrast(grey.onstrong!, grey.strong!)).toBeGreaterThan(4.5)
})
