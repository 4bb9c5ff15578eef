document.title = 'Zesty Wren'
