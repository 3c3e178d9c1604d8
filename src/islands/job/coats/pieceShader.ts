import { FROM_BELOW, LAMP, LEAST_GLOSS, RIM_PX, ROOM, SHADE_MM } from "../../../core/piece/shade";
import { INSIDE, LEAST_INSIDE } from "../../../core/piece/skin";
import { METAL, SHINE } from "../../../core/simulate/surfaceFinish";

/** A number as the shader's language wants it: never a whole one without its point. */
const float = (value: number): string => (Number.isInteger(value) ? `${value}.0` : String(value));

export const PIECE_VERTEX = `
precision highp float;
uniform mat4 viewMatrix;
uniform mat4 projectionMatrix;
in vec3 position;
in vec3 normal;
in vec3 across;
in vec2 place;
out vec3 vPoint;
out vec3 vNormal;
out vec3 vAcross;
out vec2 vPlace;

void main() {
  vPoint = position;
  vNormal = normal;
  vAcross = across;
  vPlace = place;
  gl_Position = projectionMatrix * viewMatrix * vec4(position, 1.0);
}
`;

/** The light of core/piece/shade.ts, with its numbers: the moving view and the still picture look the same. */
export const PIECE_FRAGMENT = `
precision highp float;
precision highp sampler2D;
uniform sampler2D paint;
uniform sampler2D ground;
uniform sampler2D near;
uniform vec2 paintScale;
uniform vec3 lamp;
uniform vec3 eye;
uniform vec3 sightRight;
uniform vec3 sightUp;
uniform vec3 sight;
uniform bool lit;
in vec3 vPoint;
in vec3 vNormal;
in vec3 vAcross;
in vec2 vPlace;
out vec4 colour;

float slopeOf(float share01) {
  float share = (share01 * 255.0 - 127.5) / 127.0;
  return share / (1.0 - abs(share));
}

float reached() {
  vec2 at = vec2(dot(vPoint, sightRight) - sight.x, sight.y - dot(vPoint, sightUp)) * sight.z;
  ivec2 size = textureSize(near, 0);
  float mine = dot(vPoint, lamp);
  float free = 0.0;
  for (int dy = -1; dy <= 1; dy++) {
    for (int dx = -1; dx <= 1; dx++) {
      ivec2 pixel = ivec2(floor(at + vec2(dx, dy) * ${float(RIM_PX)}));
      bool beside = any(lessThan(pixel, ivec2(0))) || any(greaterThanEqual(pixel, size));
      float before = beside ? 0.0 : texelFetch(near, pixel, 0).r - mine;
      free += 1.0 - smoothstep(${float(SHADE_MM)}, ${float(2 * SHADE_MM)}, before);
    }
  }
  return free / 9.0;
}

vec3 inLight(vec3 light) {
  vec4 here = texture(ground, vPlace);
  vec3 n = normalize(vNormal);
  vec3 u = normalize(vAcross - n * dot(vAcross, n));
  n = normalize(n - slopeOf(here.r) * u - slopeOf(here.g) * cross(u, n));
  if (!gl_FrontFacing) n = -n;
  float sky = gl_FrontFacing ? here.b : 0.5;
  float gloss = gl_FrontFacing ? (here.a * 255.0 - 127.0) / 127.0 : 0.0;
  float facing = max(0.0, dot(n, lamp));
  float free = facing > 0.0 ? reached() : 0.0;
  float above = 0.5 + 0.5 * n.y;
  float room = ${float(ROOM)} * sky * mix(${float(FROM_BELOW)}, 1.0, above);
  float mirrored = max(0.0, dot(n, normalize(lamp + eye)));
  float metal = max(0.0, -gloss);
  gloss = max(0.0, gloss);
  float flakes = 1.0 - metal + metal * (${float(METAL.aside)} + ${float(METAL.mirrored)} * pow(mirrored, ${float(METAL.tight)}));
  room *= 1.0 - metal * ${float(1 - METAL.room)};
  float square = gloss * gloss;
  float tight = mix(${float(SHINE.least)}, ${float(SHINE.most)}, square);
  float shine = gloss < ${float(LEAST_GLOSS)} || mirrored == 0.0
    ? 0.0
    : free * ${float(SHINE.strength)} * square * pow(mirrored, tight);
  return min(vec3(1.0), light * (room + ${float(LAMP)} * free * facing * flakes) + shine);
}

vec3 encoded(vec3 light) {
  return mix(12.92 * light, 1.055 * pow(light, vec3(1.0 / 2.4)) - 0.055, step(0.0031308, light));
}

void main() {
  vec4 texel = texture(paint, vPlace * paintScale);
  float share = clamp((texel.a - ${float(LEAST_INSIDE)}) / max(0.02, fwidth(texel.a)) + 0.5, 0.0, 1.0);
  if (share == 0.0) discard;
  vec3 light = gl_FrontFacing ? texel.rgb : vec3(${float(INSIDE)});
  colour = vec4(encoded(lit ? inLight(light) : light), share);
}
`;
