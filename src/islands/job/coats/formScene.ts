import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DataTexture,
  DirectionalLight,
  DoubleSide,
  LinearFilter,
  LinearMipmapLinearFilter,
  type Material,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  PerspectiveCamera,
  RGBAFormat,
  Scene,
  SRGBColorSpace,
  Vector3,
  WebGLRenderer,
} from "three";
import { OrbitControls } from "three/examples/jsm/controls/OrbitControls.js";
import type { Lamp } from "../../../core/job";
import type { Specimen } from "../../../core/simulate/simulator";
import type { SurfaceForm } from "../../../core/surface/forms/form";
import { lampInSpace, usualTilt } from "../../../core/piece/stance";
import { lampVector } from "../../../core/surface/grid";

/** A form drawn in space. */
export interface FormScene {
  setForm(form: SurfaceForm): void;
  setPicture(specimen: Specimen): void;
  setLight(lamp: Lamp, lit: boolean, surround: string): void;
  turn(aside: number, up: number): void;
  nearer(factor: number): void;
  end(): void;
}

/** Steps of the mesh along the turn and up the height. */
const ALONG = 240;
const UP = 120;

/** The form's own points, and where each lies on the flat, mm. */
function meshOf(form: SurfaceForm): { geometry: BufferGeometry; flat: Float32Array } {
  const count = (ALONG + 1) * (UP + 1);
  const points = new Float32Array(count * 3);
  const flat = new Float32Array(count * 2);
  const index: number[] = [];
  for (let row = 0; row <= UP; row++) {
    for (let column = 0; column <= ALONG; column++) {
      const at = row * (ALONG + 1) + column;
      // The very middle of a round piece has no direction of its own.
      const place = {
        turnDeg: (column / ALONG) * form.turnDeg,
        heightMm: Math.min(form.slantMm * 0.9999, (row / UP) * form.slantMm),
      };
      points.set(form.inSpace(place), at * 3);
      flat.set(form.flatten(place), at * 2);
      const outside = form.rim !== undefined && form.rim(place) < -0.2;
      if (column < ALONG && row < UP && !outside)
        index.push(at, at + 1, at + ALONG + 1, at + 1, at + ALONG + 2, at + ALONG + 1);
    }
  }
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(points, 3));
  geometry.setAttribute("uv", new BufferAttribute(new Float32Array(count * 2), 2));
  geometry.setIndex(index);
  geometry.computeVertexNormals();
  geometry.computeBoundingSphere();
  return { geometry, flat };
}

/** Where each point lies on the picture, 0…1. */
function placePicture(geometry: BufferGeometry, flat: Float32Array, specimen: Specimen): void {
  const uv = geometry.getAttribute("uv");
  const { originX, originY, pitchMm, width, height } = specimen;
  for (let at = 0; at < uv.count; at++) {
    uv.setXY(
      at,
      ((flat[at * 2]! - originX) / pitchMm + 0.5) / width,
      ((flat[at * 2 + 1]! - originY) / pitchMm + 0.5) / height,
    );
  }
  uv.needsUpdate = true;
}

/** Cells off the panel take the colour of a neighbour on it, so that no dark rim is drawn along the edges. */
function bled(specimen: Specimen): Uint8Array<ArrayBuffer> {
  const { rgba, width } = specimen;
  const out = new Uint8Array(rgba);
  for (let at = 0; at < rgba.length; at += 4) {
    if (rgba[at + 3]! > 0) continue;
    for (const step of [4, -4, width * 4, -width * 4, 8, -8, width * 8, -width * 8]) {
      const from = at + step;
      if (from < 0 || from >= rgba.length || rgba[from + 3]! === 0) continue;
      out.set(rgba.subarray(from, from + 3), at);
      break;
    }
    out[at + 3] = 255;
  }
  return out;
}

/** Starts drawing into a box of the page. @throws where the browser has no WebGL */
export function startScene(room: HTMLElement): FormScene {
  const renderer = new WebGLRenderer({ antialias: true });
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  renderer.domElement.setAttribute("role", "img");
  renderer.domElement.setAttribute("aria-label", "The surface, simulated, on its form");
  room.append(renderer.domElement);
  const scene = new Scene();
  const camera = new PerspectiveCamera(28, 1, 0.5, 4000);
  const controls = new OrbitControls(camera, renderer.domElement);
  controls.enablePan = false;
  const ambient = new AmbientLight(0xffffff, 0.9);
  const lampLight = new DirectionalLight(0xffffff, 2.6);
  // The lamp stands in the room: what is turned away from it is dark.
  scene.add(camera, ambient, lampLight, lampLight.target);
  const plain = new MeshBasicMaterial({ side: DoubleSide });
  const matt = new MeshStandardMaterial({ side: DoubleSide, roughness: 0.92, metalness: 0 });
  const mesh = new Mesh<BufferGeometry, Material>(new BufferGeometry(), plain);
  scene.add(mesh);
  let flat: Float32Array = new Float32Array(0);
  let shown: SurfaceForm | null = null;
  let asked = false;
  const draw = () => {
    if (asked) return;
    asked = true;
    requestAnimationFrame(() => {
      asked = false;
      controls.update();
      renderer.render(scene, camera);
    });
  };
  controls.addEventListener("change", draw);
  const observer = new ResizeObserver(() => {
    const { clientWidth, clientHeight } = room;
    renderer.setSize(clientWidth, clientHeight);
    camera.aspect = clientWidth / Math.max(1, clientHeight);
    camera.updateProjectionMatrix();
    draw();
  });
  observer.observe(room);
  return {
    setForm(form) {
      mesh.geometry.dispose();
      shown = form;
      const made = meshOf(form);
      mesh.geometry = made.geometry;
      flat = made.flat;
      const { center, radius } = made.geometry.boundingSphere!;
      controls.target.copy(center);
      const away = radius / Math.sin((camera.fov * Math.PI) / 360);
      camera.position
        .copy(center)
        .add(new Vector3(0, Math.tan((usualTilt(form) * Math.PI) / 180), 1).setLength(away));
      controls.minDistance = radius * 0.8;
      controls.maxDistance = away * 3;
      draw();
    },
    setPicture(specimen) {
      placePicture(mesh.geometry, flat, specimen);
      const texture = new DataTexture(bled(specimen), specimen.width, specimen.height, RGBAFormat);
      texture.colorSpace = SRGBColorSpace;
      texture.magFilter = LinearFilter;
      texture.minFilter = LinearMipmapLinearFilter;
      texture.generateMipmaps = true;
      texture.anisotropy = 4;
      texture.needsUpdate = true;
      plain.map?.dispose();
      plain.map = matt.map = texture;
      plain.needsUpdate = matt.needsUpdate = true;
      draw();
    },
    setLight(lamp, lit, surround) {
      if (shown) lampLight.position.set(...lampInSpace(shown, lampVector(lamp))).setLength(100);
      mesh.material = lit ? matt : plain;
      scene.background = new Color(surround);
      draw();
    },
    turn(aside, up) {
      const arm = camera.position.clone().sub(controls.target);
      arm.applyAxisAngle(new Vector3(0, 1, 0), aside);
      const level = new Vector3(0, 1, 0).cross(arm).normalize();
      const tilted = arm.clone().applyAxisAngle(level, up);
      if (Math.abs(tilted.clone().normalize().y) < 0.98) arm.copy(tilted);
      camera.position.copy(controls.target).add(arm);
      draw();
    },
    nearer(factor) {
      camera.position.sub(controls.target).multiplyScalar(factor).add(controls.target);
      draw();
    },
    end() {
      observer.disconnect();
      controls.dispose();
      mesh.geometry.dispose();
      plain.map?.dispose();
      plain.dispose();
      matt.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    },
  };
}
