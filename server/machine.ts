import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import os from 'node:os'

/**
 * Names this start of the machine, so that a restart is told from time that passed; null where the system does not
 * say. Linux: random(4); macOS: the boot session of sysctl(3).
 */
export function bootId(): string | null {
  try {
    if (process.platform === 'linux') return readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim()
    if (process.platform === 'darwin')
      return execFileSync('/usr/sbin/sysctl', ['-n', 'kern.bootsessionuuid'], { encoding: 'utf8' }).trim()
  } catch {
    // Not told here; the clocks are compared instead.
  }
  return null
}

/** A clock that nobody can set and that counts sleep: seconds since this machine was started. */
export const uptimeS = (): number => os.uptime()
