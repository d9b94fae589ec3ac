// AssemblyScript, compiled to WebAssembly by `npm run loops`: eight 16-bit products at a time.

/** `row`: RGBA bytes, readable 8 bytes beyond its end. `count` is even. */
export function across(row: usize, first: usize, weights: usize, count: i32, width: i32, out: usize): void {
  const zero = i32x4.splat(0);
  for (let i = 0; i < width; i += 1) {
    let p = row + ((<usize>load<i32>(first)) << 2);
    let s = i32x4.splat(128);
    const end = weights + ((<usize>count) << 1);
    for (; weights < end; weights += 4, p += 8) {
      const px = v128.load64_zero(p);
      // r0 r1 g0 g1 b0 b1 a0 a1 as 16-bit
      const pairs = i8x16.shuffle(px, zero, 0, 16, 4, 16, 1, 16, 5, 16, 2, 16, 6, 16, 3, 16, 7, 16);
      s = i32x4.add(s, i32x4.dot_i16x8_s(pairs, v128.load32_splat(weights)));
    }
    s = i32x4.shr_s(s, 8);
    v128.store64_lane(out, i16x8.narrow_i32x4_s(s, s), 0);
    first += 4;
    out += 8;
  }
}

/** `rows`: `count` (even) pointers to rows of 16-bit values, `length` of them each, rounded up to 8. */
export function down(rows: usize, weights: usize, count: i32, length: i32, out: usize): void {
  for (let i: usize = 0; i < (<usize>length) << 1; i += 16) {
    let lo = i32x4.splat(1 << 19);
    let hi = lo;
    for (let k: usize = 0; k < <usize>count; k += 2) {
      const w = v128.load32_splat(weights + (k << 1));
      const a = v128.load(<usize>load<u32>(rows + (k << 2)) + i);
      const b = v128.load(<usize>load<u32>(rows + (k << 2), 4) + i);
      lo = i32x4.add(lo, i32x4.dot_i16x8_s(i16x8.shuffle(a, b, 0, 8, 1, 9, 2, 10, 3, 11), w));
      hi = i32x4.add(hi, i32x4.dot_i16x8_s(i16x8.shuffle(a, b, 4, 12, 5, 13, 6, 14, 7, 15), w));
    }
    const s = i16x8.narrow_i32x4_s(i32x4.shr_s(lo, 20), i32x4.shr_s(hi, 20));
    v128.store64_lane(out, i8x16.narrow_i16x8_u(s, s), 0);
    out += 8;
  }
}

/** A row of output pixels, each from six by six around (u, v), which moves on by (du, dv). Weights are per 1/256 of a pixel. */
export function gather(
  src: usize,
  stride: i32,
  u: f64,
  v: f64,
  du: f64,
  dv: f64,
  table: usize,
  n: i32,
  out: usize,
): void {
  const zero = i32x4.splat(0);
  for (let i = 0; i < n; i += 1, u += du, v += dv, out += 4) {
    const fu = Math.floor(u),
      fv = Math.floor(v);
    const wu = table + <usize>((<i32>((u - fu) * 256 + 0.5) * 6) << 1);
    let wv = table + <usize>((<i32>((v - fv) * 256 + 0.5) * 6) << 1);
    let p = src + <usize>((<i32>fv - 2) * stride + ((<i32>fu - 2) << 2));
    let sum = i32x4.splat(1 << 19);
    const w0 = v128.load32_splat(wu),
      w1 = v128.load32_splat(wu, 4),
      w2 = v128.load32_splat(wu, 8);
    for (let j = 0; j < 6; j += 1, p += stride, wv += 2) {
      const px = v128.load(p);
      let s = i32x4.add(
        i32x4.splat(128),
        i32x4.dot_i16x8_s(i8x16.shuffle(px, zero, 0, 16, 4, 16, 1, 16, 5, 16, 2, 16, 6, 16, 3, 16, 7, 16), w0),
      );
      s = i32x4.add(
        s,
        i32x4.dot_i16x8_s(i8x16.shuffle(px, zero, 8, 16, 12, 16, 9, 16, 13, 16, 10, 16, 14, 16, 11, 16, 15, 16), w1),
      );
      s = i32x4.add(
        s,
        i32x4.dot_i16x8_s(
          i8x16.shuffle(v128.load64_zero(p, 16), zero, 0, 16, 4, 16, 1, 16, 5, 16, 2, 16, 6, 16, 3, 16, 7, 16),
          w2,
        ),
      );
      sum = i32x4.add(sum, i32x4.mul(i32x4.shr_s(s, 8), i32x4.splat(<i32>load<i16>(wv))));
    }
    sum = i32x4.shr_s(sum, 20);
    const h = i16x8.narrow_i32x4_s(sum, sum);
    v128.store32_lane(out, i8x16.narrow_i16x8_u(h, h), 0);
  }
}

/** `count` pixels of RGBA in place. `columns`: 3 × 256 × 4 whole numbers to be added up; `tables`: `stride` bytes each for red, green and blue. */
export function tone(px: usize, count: i32, columns: usize, tables: usize, stride: i32): void {
  const least = i32x4.splat(0);
  const most = i32x4.splat(stride - 1);
  const green = tables + stride;
  const blue = green + stride;
  for (const end = px + ((<usize>count) << 2); px < end; px += 4) {
    const p = load<u32>(px);
    let s = v128.load(columns + ((p & 255) << 4));
    s = i32x4.add(s, v128.load(columns + ((p >> 4) & 0xff0), 4096));
    s = i32x4.add(s, v128.load(columns + ((p >> 12) & 0xff0), 8192));
    s = i32x4.min_s(i32x4.max_s(i32x4.shr_s(s, 4), least), most);
    store<u8>(px, load<u8>(tables + i32x4.extract_lane(s, 0)));
    store<u8>(px, load<u8>(green + i32x4.extract_lane(s, 1)), 1);
    store<u8>(px, load<u8>(blue + i32x4.extract_lane(s, 2)), 2);
  }
}
