const LONGEST = 1000

/** A photograph made small enough to keep: at most ``longest`` pixels, JPEG. One that cannot be read is sent as it is. */
export async function shrunk(file: Blob, longest = LONGEST): Promise<Blob> {
  try {
    const image = await createImageBitmap(file)
    const scale = Math.min(1, longest / Math.max(image.width, image.height))
    const canvas = document.createElement('canvas')
    canvas.width = Math.round(image.width * scale)
    canvas.height = Math.round(image.height * scale)
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height)
    const made = await new Promise<Blob | null>((done) => canvas.toBlob(done, 'image/jpeg', 0.85))
    return made ?? file
  } catch {
    return file
  }
}
