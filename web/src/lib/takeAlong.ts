/** A drawing of the page as a file of its own: SVG with its colours in it, words as outlines, or PNG of that. */

const KEPT = ['fill', 'stroke', 'stroke-width', 'stroke-dasharray', 'opacity']
const DOTS_PER_MM = 300 / 25.4

async function inBase64(answer: Response): Promise<string> {
  const bytes = new Uint8Array(await answer.arrayBuffer())
  return btoa(bytes.reduce((done, byte) => done + String.fromCharCode(byte), ''))
}

/** A picture within the drawing, such as a sheet's pattern, in the file itself. */
async function takeIn(image: SVGImageElement) {
  const answer = await fetch(image.getAttribute('href')!)
  const kind = answer.headers.get('Content-Type') ?? 'image/png'
  image.setAttribute('href', `data:${kind};base64,${await inBase64(answer)}`)
}

/** The drawing as SVG, its user unit a millimetre; `mm` is the width and height that are taken of it. */
export async function asSvg(drawn: SVGSVGElement, mm: [number, number]): Promise<string> {
  const copy = drawn.cloneNode(true) as SVGSVGElement
  const pairs = [...drawn.querySelectorAll('*')].map(
    (one, n) => [one, copy.querySelectorAll('*')[n]!] as const,
  )
  for (const [seen, made] of pairs) {
    if (!seen.hasAttribute('class')) continue
    const style = getComputedStyle(seen)
    for (const name of KEPT) made.setAttribute(name, style.getPropertyValue(name))
    made.removeAttribute('class')
  }
  for (const one of copy.querySelectorAll('[data-on-screen]')) one.remove()
  await Promise.all([...copy.querySelectorAll('image')].map(takeIn))
  copy.removeAttribute('class')
  copy.setAttribute('viewBox', `0 0 ${mm[0]} ${mm[1]}`)
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', `${mm[0]}mm`)
  copy.setAttribute('height', `${mm[1]}mm`)
  return new XMLSerializer().serializeToString(copy)
}

/** The same as a picture, so many dots to the millimetre: as a rule 300 to the inch. */
export async function asPicture(
  drawn: SVGSVGElement,
  mm: [number, number],
  dots = DOTS_PER_MM,
  kind = 'image/png',
): Promise<Blob> {
  const image = new Image()
  image.src = `data:image/svg+xml,${encodeURIComponent(await asSvg(drawn, mm))}`
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = Math.round(mm[0] * dots)
  canvas.height = Math.round(mm[1] * dots)
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
  return new Promise((done, fail) =>
    canvas.toBlob((made) => (made ? done(made) : fail(new Error('no picture'))), kind, 0.9),
  )
}

/** Let the browser keep a file. */
export function keep(content: Blob, name: string) {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = name
  link.click()
  setTimeout(() => URL.revokeObjectURL(link.href))
}
