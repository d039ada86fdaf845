import { spawn } from 'node:child_process'

/** A server of its own for a test that takes it away. */
export function serve(port: number) {
  const server = spawn('node', ['node_modules/next/dist/bin/next', 'start', '-p', String(port)], {
    stdio: 'ignore',
    env: { ...process.env, HUMBRA_START: 'demo' },
  })
  const up = () =>
    fetch(`http://localhost:${port}`).then(
      (answer) => answer.ok,
      () => false,
    )
  return { server, up }
}
