using System.Text.Json.Nodes;
using Kostel.Core.Text;
using Microsoft.AspNetCore.OpenApi;
using Microsoft.OpenApi;

namespace Kostel.Server.Http;

/// <summary>Names the choices in the OpenAPI document, which cannot look into <see cref="StrictNames"/>.</summary>
internal static class DescribedNames
{
    public static Task Describe(OpenApiSchema schema, OpenApiSchemaTransformerContext context, CancellationToken cancel)
    {
        var type = Nullable.GetUnderlyingType(context.JsonTypeInfo.Type) ?? context.JsonTypeInfo.Type;
        if (type.IsEnum)
        {
            schema.Enum = Enum.GetNames(type).Select(n => (JsonNode)StrictNames.Name(n)).ToList();
        }

        return Task.CompletedTask;
    }
}
