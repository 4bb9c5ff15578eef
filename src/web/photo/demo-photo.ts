/** A generated drawing of a lower leg beside a 10 cm bar, for trying the photo reading without a photo. */
export async function drawDemoPhoto(): Promise<Blob> {
  const canvas = document.createElement('canvas')
  canvas.width = 1200
  canvas.height = 800
  const pen = canvas.getContext('2d')
  if (!pen) throw new Error('this browser does not draw')
  pen.fillStyle = '#d8d3c6'
  pen.fillRect(0, 0, 1200, 800)
  pen.fillStyle = '#e6c9ad'
  pen.strokeStyle = '#8f6a4c'
  pen.lineWidth = 4
  pen.beginPath()
  pen.moveTo(180, 120)
  pen.bezierCurveTo(210, 90, 250, 110, 280, 260)
  pen.bezierCurveTo(420, 300, 640, 260, 760, 230)
  pen.bezierCurveTo(900, 215, 1010, 220, 1120, 230)
  pen.lineTo(1120, 470)
  pen.bezierCurveTo(960, 500, 800, 540, 660, 500)
  pen.bezierCurveTo(520, 460, 380, 430, 300, 470)
  pen.bezierCurveTo(220, 500, 170, 480, 180, 420)
  pen.closePath()
  pen.fill()
  pen.stroke()
  pen.fillStyle = '#1d1b16'
  pen.fillRect(120, 712, 300, 16)
  for (let mark = 0; mark <= 10; mark++) pen.fillRect(120 + mark * 30 - 2, 690, 4, 22)
  pen.font = '30px sans-serif'
  pen.fillText('10 cm', 225, 775)
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/png'))
  if (!blob) throw new Error('the drawing was not made')
  return blob
}
