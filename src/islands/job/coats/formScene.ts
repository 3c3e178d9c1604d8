import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DataTexture,
  DoubleSide,
  FloatType,
  GLSL3,
  LinearFilter,
  LinearMipmapLinearFilter,
  Mesh,
  NearestFilter,
  OrthographicCamera,
  RawShaderMaterial,
  RedFormat,
  RGBAFormat,
  Scene,
  SRGBColorSpace,
  type Texture,
  UnsignedByteType,
  Vector2,
  Vector3,
  WebGLRenderer,
} from "three";
import { eyeAt } from "../../../core/piece/raster";
import type { StandingPiece } from "../../../core/piece/standing";
import type { PieceRoom } from "../../../core/piece/stood";
import { PIECE_FRAGMENT, PIECE_VERTEX } from "./pieceShader";
import type { Stance } from "../viewStore";

/** Paint of a piece: a flat picture of it, of any fineness. */
export interface PiecePaint {
  readonly rgba: Uint8ClampedArray<ArrayBuffer>;
  readonly width: number;
  readonly height: number;
  readonly pitchMm: number;
}

/** A piece drawn in space on the page. */
export interface FormScene {
  show(piece: StandingPiece, paint: PiecePaint): void;
  light(lit: boolean, surround: string): void;
  /** @param pxPerMm how large: pixels of the page to the mm */
  stand(stance: Stance, pxPerMm: number): void;
  end(): void;
}

const uniformsOf = () => ({
  paint: { value: null as Texture | null },
  ground: { value: null as Texture | null },
  near: { value: null as Texture | null },
  paintScale: { value: new Vector2(1, 1) },
  lamp: { value: new Vector3() },
  eye: { value: new Vector3() },
  sightRight: { value: new Vector3() },
  sightUp: { value: new Vector3() },
  sight: { value: new Vector3() },
  lit: { value: true },
});

/** Bytes by cell as a texture that is smooth from near and from far. */
function smooth(bytes: Uint8Array<ArrayBuffer>, width: number, height: number): DataTexture {
  const texture = new DataTexture(bytes, width, height, RGBAFormat, UnsignedByteType);
  texture.magFilter = LinearFilter;
  texture.minFilter = LinearMipmapLinearFilter;
  texture.generateMipmaps = true;
  texture.anisotropy = 4;
  texture.needsUpdate = true;
  return texture;
}

function paintOf({ rgba, width, height }: PiecePaint): DataTexture {
  const texture = smooth(new Uint8Array(rgba.buffer), width, height);
  texture.colorSpace = SRGBColorSpace;
  return texture;
}

function nearOf({ sight }: StandingPiece): DataTexture {
  const texture = new DataTexture(sight.near, sight.width, sight.height, RedFormat, FloatType);
  texture.magFilter = texture.minFilter = NearestFilter;
  texture.needsUpdate = true;
  return texture;
}

function geometryOf(piece: StandingPiece): BufferGeometry {
  const geometry = new BufferGeometry();
  geometry.setAttribute("position", new BufferAttribute(piece.points, 3));
  geometry.setAttribute("normal", new BufferAttribute(piece.normals, 3));
  geometry.setAttribute("across", new BufferAttribute(piece.across, 3));
  geometry.setAttribute("place", new BufferAttribute(piece.places, 2));
  geometry.setIndex(new BufferAttribute(piece.triangles, 1));
  return geometry;
}

/** Points the camera as a beholder far away who looks at the middle of the piece. @param halfMm from there to the upper edge */
function aim(
  camera: OrthographicCamera,
  { middle, aroundMm, upMm }: PieceRoom,
  { turnDeg, tiltDeg }: Stance,
  halfMm: number,
  aspect: number,
): Vector3 {
  const away = Math.hypot(aroundMm, upMm) + 10;
  const aside = halfMm * aspect;
  Object.assign(camera, { left: -aside, right: aside, top: halfMm, bottom: -halfMm, near: 1, far: 2 * away });
  const { right, up, towards } = eyeAt(turnDeg, tiltDeg);
  const [eye, x, y] = [new Vector3(...towards), new Vector3(...right), new Vector3(...up)];
  camera.matrix.makeBasis(x, y, eye).setPosition(
    eye
      .clone()
      .multiplyScalar(away)
      .add(new Vector3(...middle)),
  );
  camera.matrixWorldNeedsUpdate = true;
  camera.updateProjectionMatrix();
  return eye;
}

/** Starts drawing into a box of the page. @throws where the browser has no WebGL */
export function startScene(room: HTMLElement): FormScene {
  const renderer = new WebGLRenderer({ antialias: true, alpha: false });
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio));
  renderer.domElement.setAttribute("role", "img");
  renderer.domElement.setAttribute("aria-label", "The surface, simulated, on its form");
  room.append(renderer.domElement);
  const uniforms = uniformsOf();
  const material = new RawShaderMaterial({
    glslVersion: GLSL3,
    vertexShader: PIECE_VERTEX,
    fragmentShader: PIECE_FRAGMENT,
    side: DoubleSide,
    alphaToCoverage: true,
    uniforms,
  });
  const mesh = new Mesh(new BufferGeometry(), material);
  mesh.frustumCulled = false;
  const scene = new Scene().add(mesh);
  const camera = new OrthographicCamera();
  camera.matrixAutoUpdate = false;
  let shown: { readonly piece: StandingPiece; readonly paint: PiecePaint } | null = null;
  let seen: { readonly stance: Stance; readonly pxPerMm: number } | null = null;
  let asked = false;
  const draw = () => {
    if (asked) return;
    asked = true;
    requestAnimationFrame(() => {
      asked = false;
      const { clientWidth: width, clientHeight: height } = room;
      if (!shown || !seen || height === 0) return;
      const { stance, pxPerMm } = seen;
      uniforms.eye.value = aim(camera, shown.piece.room, stance, height / 2 / pxPerMm, width / height);
      renderer.render(scene, camera);
    });
  };
  const observer = new ResizeObserver(() => {
    renderer.setSize(room.clientWidth, room.clientHeight);
    draw();
  });
  observer.observe(room);
  const release = () => {
    mesh.geometry.dispose();
    for (const { value } of [uniforms.ground, uniforms.near]) value?.dispose();
  };
  const standUp = (piece: StandingPiece) => {
    release();
    mesh.geometry = geometryOf(piece);
    uniforms.ground.value = smooth(piece.ground, piece.width, piece.height);
    uniforms.near.value = nearOf(piece);
    uniforms.lamp.value.set(...piece.lamp);
    uniforms.sightRight.value.set(...piece.sight.right);
    uniforms.sightUp.value.set(...piece.sight.up);
    uniforms.sight.value.set(piece.sight.left, piece.sight.top, piece.sight.pxPerMm);
  };
  return {
    show(piece, paint) {
      if (shown?.piece !== piece) standUp(piece);
      if (shown?.paint !== paint) {
        uniforms.paint.value?.dispose();
        uniforms.paint.value = paintOf(paint);
      }
      // Both begin at the same corner of the piece, but their last cells may reach less or farther.
      uniforms.paintScale.value.set(
        (piece.width * piece.pitchMm) / (paint.width * paint.pitchMm),
        (piece.height * piece.pitchMm) / (paint.height * paint.pitchMm),
      );
      shown = { piece, paint };
      draw();
    },
    light(lit, surround) {
      uniforms.lit.value = lit;
      scene.background = new Color(surround);
      draw();
    },
    stand(stance, pxPerMm) {
      seen = { stance, pxPerMm };
      draw();
    },
    end() {
      observer.disconnect();
      release();
      uniforms.paint.value?.dispose();
      material.dispose();
      renderer.dispose();
      renderer.domElement.remove();
    },
  };
}
