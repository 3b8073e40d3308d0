import { useEffect, useRef } from 'react'
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  DirectionalLight,
  DoubleSide,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Scene,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'

/** The mesh to turn and look at, in the colour of stone. Where there is no 3D it says so. */
export function MeshView({ corners }: { corners: Float32Array }) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const holder = place.current
    if (!holder) return
    let renderer: WebGLRenderer
    try {
      renderer = new WebGLRenderer({ antialias: true, alpha: true })
    } catch {
      holder.textContent = 'This browser shows no 3D. The figures are the same.'
      return
    }
    const { clientWidth: width, clientHeight: height } = holder
    renderer.setPixelRatio(devicePixelRatio)
    renderer.setSize(width, height)
    holder.append(renderer.domElement)
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new BufferAttribute(corners, 3))
    geometry.center()
    geometry.computeBoundingSphere()
    const radius = geometry.boundingSphere?.radius ?? 1
    const material = new MeshStandardMaterial({
      color: '#dcb874',
      roughness: 0.85,
      side: DoubleSide,
      flatShading: true,
    })
    const scene = new Scene()
    scene.add(new Mesh(geometry, material), new AmbientLight('#ffffff', 1.1))
    const lamp = new DirectionalLight('#ffffff', 2)
    const camera = new PerspectiveCamera(35, width / height, radius / 50, radius * 20)
    camera.up.set(0, 0, 1)
    camera.position.set(radius * 1.6, -radius * 2.4, radius * 1.9)
    camera.add(lamp)
    scene.add(camera)
    const draw = () => renderer.render(scene, camera)
    const controls = new OrbitControls(camera, renderer.domElement)
    controls.addEventListener('change', draw)
    controls.update()
    draw()
    return () => {
      controls.dispose()
      geometry.dispose()
      material.dispose()
      renderer.dispose()
      renderer.domElement.remove()
    }
  }, [corners])
  return (
    <div
      ref={place}
      className="bg-base-200 h-52 w-full overflow-hidden rounded-2xl"
      role="img"
      aria-label="The mesh in 3D"
    />
  )
}
