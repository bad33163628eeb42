var a=0;self.onmessage=({data:e})=>{clearInterval(a),e>0&&(a=setInterval(()=>self.postMessage(null),e))};
