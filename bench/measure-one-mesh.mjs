import { readFileSync } from 'node:fs'

/** Child of the mesh benchmark: one way of measuring, timed, with its peak of memory. */
const [which, path] = process.argv.slice(2)
const measure = await { size: theSize, core: theCore, three: plainThree }[which]()
globalThis.gc?.()
const start = process.resourceUsage().maxRSS
const bytes = readFileSync(path)
const file = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength)
// What the disk takes is neither's.
const begun = performance.now()
const { name, volume } = measure(file)
const millis = performance.now() - begun
// One copy of the file is Node's, made in reading it; a browser hands over the only one.
const megabytes = (process.resourceUsage().maxRSS - start) / 1000 - bytes.length / 1e6
console.log(JSON.stringify({ name, cm3: volume, millis, megabytes }))

async function theCore() {
  const { measureMesh, readMesh } = await import('@yentrik/core')
  return (buffer) => {
    const measured = measureMesh(readMesh(buffer).triangles)
    return {
      name: `core: volume, surface, size, ${measured.watertight ? 'watertight' : 'open'}`,
      volume: measured.volume,
    }
  }
}

async function theSize() {
  const { meshSize, readMesh } = await import('@yentrik/core')
  return (buffer) => ({
    name: 'core, what is shown first: volume and size',
    volume: meshSize(readMesh(buffer).triangles).volume,
  })
}

async function plainThree() {
  const { STLLoader } = await import('three/addons/loaders/STLLoader.js')
  return (buffer) => {
    const { array } = new STLLoader().parse(buffer).getAttribute('position')
    let six = 0
    for (let n = 0; n < array.length; n += 9) {
      const ax = array[n]
      const ay = array[n + 1]
      const az = array[n + 2]
      const bx = array[n + 3]
      const by = array[n + 4]
      const bz = array[n + 5]
      const cx = array[n + 6]
      const cy = array[n + 7]
      const cz = array[n + 8]
      six += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx)
    }
    return { name: 'three.js STLLoader and a loop: volume only', volume: six / 6 }
  }
}
