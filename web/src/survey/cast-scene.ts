import type { TableTilt, Vector } from '@yentrik/core'
import { pathOf } from '@yentrik/core'
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  CylinderGeometry,
  DirectionalLight,
  Group,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Quaternion,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { MeshBVH } from 'three-mesh-bvh'

/** Classes by colour and by pattern: dots, lines, lines crossed, solid with a light edge. */
export const classColours = ['#f2d675', '#e08a2b', '#c4502f', '#8f2436'] as const
/** A wall nearly along the rod: the line lies anywhere on it. */
export const bandColour = '#0f7f8f'
/** What a clear arm cannot pass. */
export const severeColour = '#d14f8c'
const rgb = (hex: string) =>
  `vec3(${[1, 3, 5]
    .map((at) => (Number.parseInt(hex.slice(at, at + 2), 16) / 255) ** 2.2)
    .map((part) => part.toFixed(4))
    .join(', ')})`

/** The cast on the table under the rod: turned by hand, tapped for a place. Throws where the browser shows no 3D. */
export class CastScene {
  private readonly renderer: WebGLRenderer
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(30, 1, 1, 2000)
  private readonly controls: OrbitControls
  private readonly cast = new Group()
  private readonly geometry = new BufferGeometry()
  private readonly body: Mesh
  private readonly line: LineSegments
  private readonly band: LineSegments
  private readonly marks = new Group()
  private readonly rod: Mesh
  private readonly bvh: MeshBVH
  private readonly middle: Vector3
  private readonly radius: number
  private wanted = false

  constructor(
    private readonly holder: HTMLElement,
    {
      positions,
      triangles,
      min,
      max,
    }: {
      readonly positions: Float32Array
      readonly triangles: Uint32Array
      readonly min: Vector
      readonly max: Vector
    },
    private readonly onMoved: () => void,
  ) {
    this.renderer = new WebGLRenderer({ antialias: true, alpha: true })
    this.renderer.setPixelRatio(Math.min(2, devicePixelRatio))
    holder.append(this.renderer.domElement)
    this.middle = new Vector3((min[0] + max[0]) / 2, (min[1] + max[1]) / 2, min[2])
    this.radius = Math.hypot(max[0] - min[0], max[1] - min[1]) / 2
    this.geometry.setAttribute('position', new BufferAttribute(positions, 3))
    this.geometry.setIndex(new BufferAttribute(triangles, 1))
    this.geometry.setAttribute('depth', new BufferAttribute(new Float32Array(positions.length / 3), 1))
    this.geometry.setAttribute(
      'counts',
      new BufferAttribute(new Float32Array(positions.length / 3).fill(1), 1),
    )
    this.bvh = new MeshBVH(this.geometry)
    this.geometry.computeVertexNormals()
    this.body = new Mesh(this.geometry, stone())
    this.body.position.copy(this.middle).negate()
    this.line = new LineSegments(new BufferGeometry(), new LineBasicMaterial({ color: '#16292b' }))
    this.line.position.copy(this.body.position)
    this.band = new LineSegments(new BufferGeometry(), new LineBasicMaterial({ color: bandColour }))
    this.band.position.copy(this.body.position)
    this.marks.position.copy(this.body.position)
    this.cast.add(this.body, this.line, this.band, this.marks)
    const table = new Mesh(
      new CylinderGeometry(this.radius * 0.98, this.radius * 0.92, 4, 64),
      new MeshStandardMaterial({ color: '#97a6a8', roughness: 0.5 }),
    )
    table.rotation.x = Math.PI / 2
    table.position.z = -2.2
    this.cast.add(table)
    this.rod = new Mesh(
      new CylinderGeometry(0.6, 0.6, 60, 16),
      new MeshStandardMaterial({ color: '#aab6b8', roughness: 0.35 }),
    )
    this.rod.rotation.x = Math.PI / 2
    this.rod.visible = false
    const lamp = new DirectionalLight('#ffffff', 2.1)
    lamp.position.set(-0.6, 0.9, 1)
    this.camera.add(lamp)
    this.scene.add(this.cast, this.rod, new AmbientLight('#ffffff', 0.95), this.camera)
    this.camera.up.set(0, 0, 1)
    this.camera.position.set(-this.radius * 0.95, this.radius * 2.9, this.radius * 1.75)
    this.controls = new OrbitControls(this.camera, this.renderer.domElement)
    this.controls.target.set(0, 0, (max[2] - min[2]) * 0.3)
    this.controls.enablePan = false
    this.controls.addEventListener('change', () => this.draw())
    this.controls.update()
    this.resize()
  }

  resize(): void {
    const { clientWidth: width, clientHeight: height } = this.holder
    if (width === 0 || height === 0) return
    this.renderer.setSize(width, height)
    this.camera.aspect = width / height
    // A narrow picture shows the whole table all the same.
    this.camera.fov = Math.min(60, Math.max(30, 39 / this.camera.aspect))
    this.camera.updateProjectionMatrix()
    this.draw()
  }

  /** Drawn once for all that changed until then. */
  draw(): void {
    if (this.wanted) return
    this.wanted = true
    requestAnimationFrame(() => {
      this.wanted = false
      this.renderer.render(this.scene, this.camera)
      this.onMoved()
    })
  }

  /** The rod stays upright; the cast leans under it. */
  setTilt(tilt: TableTilt): void {
    const [x, y, z] = pathOf(tilt)
    this.cast.quaternion.copy(new Quaternion().setFromUnitVectors(new Vector3(x, y, z), new Vector3(0, 0, 1)))
    this.draw()
  }

  setDepths(depths: Float32Array): void {
    this.setAttribute('depth', depths)
  }

  /** What does not count is dimmed. */
  setCounts(counts: Float32Array): void {
    this.setAttribute('counts', counts)
  }

  private setAttribute(name: 'depth' | 'counts', values: Float32Array): void {
    const attribute = this.geometry.getAttribute(name) as BufferAttribute
    if (values.length !== attribute.count) return
    attribute.array.set(values)
    attribute.needsUpdate = true
    this.draw()
  }

  /** A dot under the brush. */
  addDot(place: Vector): void {
    this.marks.add(dotAt(place, '#b4552d'))
    this.draw()
  }

  /** What is deeper is shown as block-out. */
  setSevere(millimetres: number | undefined): void {
    severe.value = millimetres ?? NEVER
    this.draw()
  }

  /** The survey line, and where it is only a band. */
  setLine(pieces: Float32Array, band: Float32Array): void {
    for (const [of, places] of [
      [this.line, pieces],
      [this.band, band],
    ] as const) {
      of.geometry.dispose()
      of.geometry = new BufferGeometry()
      of.geometry.setAttribute('position', new BufferAttribute(places, 3))
    }
    this.draw()
  }

  /** Marks on the cast; the rod comes down on the one that is looked at. */
  setMarks(places: readonly Vector[], chosen: Vector | undefined): void {
    this.marks.clear()
    for (const place of places) this.marks.add(dotAt(place, '#0f5560'))
    this.rod.visible = chosen !== undefined
    if (chosen) {
      this.cast.updateMatrixWorld()
      const at = this.marks.localToWorld(new Vector3(...chosen))
      this.rod.position.set(at.x, at.y, at.z + 30)
    }
    this.draw()
  }

  /** Where a place of the cast is on the picture, in pixels. */
  onPicture([x, y, z]: Vector): { readonly left: number; readonly top: number } {
    this.cast.updateMatrixWorld()
    const at = this.marks.localToWorld(new Vector3(x, y, z)).project(this.camera)
    const { clientWidth, clientHeight } = this.holder
    return { left: ((at.x + 1) / 2) * clientWidth, top: ((1 - at.y) / 2) * clientHeight }
  }

  /** The place of the cast under a point of the picture. */
  under(event: { readonly clientX: number; readonly clientY: number }): Vector | undefined {
    const box = this.renderer.domElement.getBoundingClientRect()
    const ray = new Raycaster()
    ray.setFromCamera(
      new Vector2(
        ((event.clientX - box.left) / box.width) * 2 - 1,
        1 - ((event.clientY - box.top) / box.height) * 2,
      ),
      this.camera,
    )
    this.body.updateMatrixWorld()
    const local = ray.ray.clone().applyMatrix4(this.body.matrixWorld.clone().invert())
    const hit = this.bvh.raycastFirst(local)
    return hit ? [hit.point.x, hit.point.y, hit.point.z] : undefined
  }

  dispose(): void {
    this.controls.dispose()
    this.geometry.dispose()
    this.line.geometry.dispose()
    this.band.geometry.dispose()
    this.renderer.dispose()
    this.renderer.domElement.remove()
  }
}

function dotAt([x, y, z]: Vector, color: string): Mesh {
  const dot = new Mesh(new SphereGeometry(0.55, 16, 12), new MeshStandardMaterial({ color }))
  dot.position.set(x, y, z)
  return dot
}

/** Deeper than any depth. */
const NEVER = 1000
const severe = { value: NEVER }

/** Stone, with its depth in colours and patterns of the screen. */
function stone(): MeshStandardMaterial {
  const material = new MeshStandardMaterial({
    color: '#dcb874',
    roughness: 0.9,
    polygonOffset: true,
    polygonOffsetFactor: 1,
    polygonOffsetUnits: 1,
  })
  material.onBeforeCompile = (shader) => {
    shader.uniforms.severe = severe
    shader.vertexShader = shader.vertexShader
      .replace(
        '#include <common>',
        '#include <common>\nattribute float depth;\nattribute float counts;\nvarying float vDepth;\nvarying float vCounts;',
      )
      .replace('#include <begin_vertex>', '#include <begin_vertex>\nvDepth = depth;\nvCounts = counts;')
    shader.fragmentShader = shader.fragmentShader
      .replace(
        '#include <common>',
        '#include <common>\nvarying float vDepth;\nvarying float vCounts;\nuniform float severe;',
      )
      .replace(
        '#include <color_fragment>',
        `#include <color_fragment>
        if (vCounts < 0.5) diffuseColor.rgb = mix(diffuseColor.rgb, vec3(0.5, 0.49, 0.46), 0.65);
        else if (vDepth > 0.02) {
          vec2 at = gl_FragCoord.xy;
          vec3 ink = vec3(0.12, 0.05, 0.03);
          float one = step(mod(at.x + at.y, 7.0), 1.6);
          float other = step(mod(at.x - at.y, 7.0), 1.6);
          if (vDepth > severe) diffuseColor.rgb = ${rgb(severeColour)};
          else if (vDepth <= 0.25) {
            float dot = step(length(mod(at, 6.0) - 3.0), 1.1);
            diffuseColor.rgb = mix(${rgb(classColours[0])}, ink, dot * 0.75);
          } else if (vDepth <= 0.5) diffuseColor.rgb = mix(${rgb(classColours[1])}, ink, one * 0.7);
          else if (vDepth <= 0.75) diffuseColor.rgb = mix(${rgb(classColours[2])}, ink, max(one, other) * 0.7);
          else if (vDepth <= 0.8) diffuseColor.rgb = vec3(1.0);
          else diffuseColor.rgb = ${rgb(classColours[3])};
        }`,
      )
  }
  return material
}
