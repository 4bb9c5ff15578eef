/** The draft of this device that names the case which a newcomer tries: its stages carry a hint. */
export const triedCaseKey = 'device/tried-case'
