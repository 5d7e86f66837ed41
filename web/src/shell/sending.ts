/** A file as it lies on the disk, with how much of it has gone, 0 to 1; what comes back is JSON. */
export function sendFile(
  address: string,
  file: File,
  gone: (share: number) => void,
): Promise<{ ok: boolean; body: unknown }> {
  return new Promise((done, failed) => {
    const request = new XMLHttpRequest()
    request.open('POST', address)
    request.setRequestHeader('Content-Type', 'application/octet-stream')
    request.upload.onprogress = (event) => event.lengthComputable && gone(event.loaded / event.total)
    request.onerror = () => failed(new TypeError('no connection'))
    request.onload = () => {
      try {
        done({ ok: request.status < 300, body: JSON.parse(request.responseText) as unknown })
      } catch (error) {
        failed(error as Error)
      }
    }
    request.send(file)
  })
}
