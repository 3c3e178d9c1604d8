import { Document, WebIO, type Buffer, type Material } from "@gltf-transform/core";
import { encode } from "fast-png";
import { spectrumToLinear } from "../../colour/spaces";
import { primerSpectrum } from "../../colour/appearance";
import { seatedMesh } from "../../figure/seated";
import type { StandingFigure } from "../../figure/standingFigure";
import type { Figure } from "../../job";
import type { PieceMesh } from "../../piece/mesh";
import { rimOf } from "../../piece/rim";
import { onPiece, type PieceSkin } from "../../piece/skin";
import { bleed, edgePlaces, placesOf, trianglesOf } from "../../piece/standing";

/** Points of each piece: as many as a moving view of it has. */
const PIECE_POINTS = 50_000;
/** glTF counts in metres. */
const METRES = 0.001;
/** Cells of which less is on the piece are cut away. */
const CUT = 0.3;
/** Matt paint, as glTF has it. */
const MATT = 0.9;

/** A mesh under way to the file. */
interface Shape {
  readonly name: string;
  readonly mesh: PieceMesh;
  /** Places on its texture; none where it has one colour. */
  readonly places: Float32Array<ArrayBuffer> | null;
  readonly material: Material;
}

/** Adds one shape as a node of its own. */
function addShape(document: Document, buffer: Buffer, { name, mesh, places, material }: Shape): void {
  const accessor = (
    type: "VEC2" | "VEC3" | "SCALAR",
    array: Float32Array<ArrayBuffer> | Uint32Array<ArrayBuffer>,
  ) => document.createAccessor().setType(type).setArray(array).setBuffer(buffer);
  const primitive = document
    .createPrimitive()
    .setAttribute(
      "POSITION",
      accessor(
        "VEC3",
        mesh.points.map((mm) => mm * METRES),
      ),
    )
    .setAttribute("NORMAL", accessor("VEC3", unitNormals(mesh)))
    .setIndices(accessor("SCALAR", trianglesOf(mesh)))
    .setMaterial(material);
  if (places) primitive.setAttribute("TEXCOORD_0", accessor("VEC2", places));
  const node = document.createNode(name).setMesh(document.createMesh(name).addPrimitive(primitive));
  document.getRoot().getDefaultScene()!.addChild(node);
}

/** Normals of length 1 at every point, as the format asks; where a mesh has none, upwards. */
function unitNormals({ normals }: PieceMesh): Float32Array<ArrayBuffer> {
  const out = normals.slice();
  for (let at = 0; at < out.length; at += 3) {
    const length = Math.hypot(out[at]!, out[at + 1]!, out[at + 2]!);
    if (Math.abs(length - 1) < 1e-4) continue;
    if (length < 1e-6) out.set([0, 1, 0], at);
    else for (let axis = 0; axis < 3; axis++) out[at + axis]! /= length;
  }
  return out;
}

/** A piece's own colours as a picture: beside the piece they go on a little, and are cut away there. */
function textureOf({ rgba, grid }: PieceSkin): Uint8Array<ArrayBuffer> {
  const data = rgba.slice();
  bleed(data, grid.width);
  for (let at = 0; at < grid.inside.length; at++) data[at * 4 + 3] = Math.round(255 * grid.inside[at]!);
  const bytes = new Uint8Array(data.buffer);
  return new Uint8Array(
    encode({ width: grid.width, height: grid.height, channels: 4, depth: 8, data: bytes }),
  );
}

function paintedMaterial(document: Document, name: string, skin: PieceSkin): Material {
  const texture = document.createTexture(name).setImage(textureOf(skin)).setMimeType("image/png");
  const material = document
    .createMaterial(name)
    .setBaseColorTexture(texture)
    .setMetallicFactor(0)
    .setRoughnessFactor(MATT)
    .setAlphaMode("MASK")
    .setAlphaCutoff(CUT)
    .setDoubleSided(true);
  // A texture ends at its rim: it does not begin again on the other side. 33071 is the format's word for that.
  material.getBaseColorTextureInfo()!.setWrapS(33071).setWrapT(33071);
  return material;
}

/**
 * A figure as binary glTF 2.0, in metres: every piece with its paint as a texture without any light, the body plainly
 * primed. Y is up, and it looks along +Z, as the format asks.
 * @param skins what each piece wears, by the surface's id; a piece without one is left out
 */
export async function writeFigureGltf(
  standing: StandingFigure,
  figure: Pick<Figure, "name" | "primer">,
  skins: ReadonlyMap<string, PieceSkin>,
): Promise<Uint8Array<ArrayBuffer>> {
  const document = new Document();
  const buffer = document.createBuffer();
  document.getRoot().setDefaultScene(document.createScene(figure.name));
  for (const { surface, seating } of standing.pieces) {
    const skin = skins.get(surface.id);
    if (!skin) continue;
    const mesh = seatedMesh(skin.grid, skin.heights, PIECE_POINTS, seating);
    const material = paintedMaterial(document, surface.name, skin);
    addShape(document, buffer, { name: surface.name, mesh, places: placesOf(mesh, skin.grid), material });
    const rim = rimOf(skin.grid, mesh, onPiece(skin.grid, mesh.step));
    if (!rim) continue;
    const edge = { name: `${surface.name}, edge`, mesh: rim.mesh, places: edgePlaces(rim, skin.grid) };
    addShape(document, buffer, { ...edge, material });
  }
  const [r, g, b] = spectrumToLinear(primerSpectrum(figure.primer));
  const primed = document
    .createMaterial("Primer")
    .setBaseColorFactor([r, g, b, 1])
    .setMetallicFactor(0)
    .setRoughnessFactor(MATT);
  standing.body.forEach((mesh, at) =>
    addShape(document, buffer, { name: `Body ${at + 1}`, mesh, places: null, material: primed }),
  );
  return new Uint8Array(await new WebIO().writeBinary(document));
}
