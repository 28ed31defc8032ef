import { xchacha20poly1305 } from '@noble/ciphers/chacha.js'
import {
  bytesToHex,
  bytesToUtf8,
  hexToBytes,
  randomBytes,
  utf8ToBytes,
} from '@noble/ciphers/utils.js'

/**
 * What a device keeps for one person, closed to whoever signs in on it next: the key is the person's own and comes
 * from the server with them, so that it is never stored beside what it closes.
 */
const NONCE = 24 // bytes, drawn anew each time

export function seal(key: string, value: unknown): string {
  const nonce = randomBytes(NONCE)
  const closed = xchacha20poly1305(hexToBytes(key), nonce).encrypt(
    utf8ToBytes(JSON.stringify(value)),
  )
  return bytesToHex(nonce) + bytesToHex(closed)
}

/** Throws where the key is another's, or what is kept was changed. */
export function unseal(key: string, kept: string): unknown {
  const bytes = hexToBytes(kept)
  const cipher = xchacha20poly1305(hexToBytes(key), bytes.slice(0, NONCE))
  return JSON.parse(bytesToUtf8(cipher.decrypt(bytes.slice(NONCE))))
}
